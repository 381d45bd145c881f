# frozen_string_literal: true

# Who may know whom. Reads the constants and requires of each folder and fails on a wrong arrow, naming file and line.
RSpec.describe "The floor plan" do
  allowed = {
    "core" => [], "store" => %w[Core], "edge" => %w[Core], "app" => %w[Core Store], "jobs" => %w[App Core Store], "web" => %w[App Core Store]
  }
  layers = %w[Core App Store Edge Jobs Web]
  root = File.expand_path("..", __dir__)

  def code_lines(file)
    File.readlines(file).each_with_index.reject { |line, _| line.strip.start_with?("#") }
  end

  allowed.each do |folder, knows|
    it "#{folder} knows #{knows.empty? ? 'nothing of the others' : knows.join(', ')}" do
      strangers = layers - knows - [folder.capitalize]
      wrong = Dir[File.join(root, folder, "**/*.rb")].flat_map do |file|
        next [] if file.include?("/store/migrations/")

        code_lines(file).filter_map do |line, number|
          found = strangers.find { |layer| line.match?(/(?<![\w:])(?:AskFirst::)?#{layer}::/) }
          "#{file.delete_prefix("#{root}/")}:#{number + 1} names #{found}" if found
        end
      end
      # what a process is put together of is named where it starts
      wrong.reject! { |line| line.start_with?("jobs/process.rb", "jobs/run.rb") }
      expect(wrong).to eq []
    end
  end

  it "core requires pure libraries only" do
    pure = %w[tzinfo uri digest json json/canonicalization securerandom csv date diff/lcs holidays money]
    wrong = Dir[File.join(root, "core/**/*.rb")].flat_map do |file|
      code_lines(file).filter_map { |line, number|
        "#{file}:#{number + 1} requires #{Regexp.last_match(1)}" if line =~ /^\s*require "([^"]+)"/ && !pure.include?(Regexp.last_match(1))
      }
    end
    expect(wrong).to eq []
  end

  it "core reads no clock" do
    wrong = Dir[File.join(root, "core/**/*.rb")].flat_map { |file|
      code_lines(file).filter_map { |line, number|
        "#{file}:#{number + 1}" if line.match?(/Time\.now|Date\.today|Process\.clock/)
      }
    }
    expect(wrong).to eq []
  end

  it "the stand-ins and the product share no line" do
    wrong = Dir[File.join(root, "stand_ins/**/*.rb")].select { |file| File.read(file).match?(%r{AskFirst|require_relative "\.\./(?!Gemfile)}) }
    wrong += Dir[File.join(root, "{core,app,store,edge,jobs,web}/**/*.rb")].select { |file| File.read(file).match?(%r{StandIns|stand_ins/|stand-in network}) }
    expect(wrong).to eq []
  end

  it "every constant stands in the file of its name" do
    expect { AskFirst::LOADER.eager_load(force: true) }.not_to raise_error
  end

  it "every act has one public method, and says what it does" do
    AskFirst::LOADER.eager_load
    acts = ObjectSpace.each_object(Class).select { |one| one < AskFirst::App::Act && one.name }
    odd = acts.reject { |one| (one.public_instance_methods(false) - %i[call]).empty? || one == AskFirst::App::Media::OpenFile }
    expect(odd).to eq []
    expect(acts.size).to be > 25
  end

  it "names no registry host but the Gemfile's one source" do
    wrong = Dir[File.join(root, "{ui/package-lock.json,Gemfile.lock,ui/package.json}")].select { |file| File.read(file).match?(/"resolved"/) }
    expect(wrong).to eq []
  end
end
