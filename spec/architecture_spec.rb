# frozen_string_literal: true

# Who may know whom. Reads the constants and requires of each folder and fails on a wrong arrow, naming file and line.
RSpec.describe "The floor plan" do
  allowed = {
    "core" => [],
    "store" => %w[Core],
    "edge" => %w[Core],
    "app" => %w[Core Store],
    "jobs" => %w[App Core Store],
    "web" => %w[App Core Store]
  }
  layers = %w[Core App Store Edge Jobs Web]
  root = File.expand_path("..", __dir__)

  def code_lines(file)
    File.readlines(file).each_with_index.reject { |line, _| line.strip.start_with?("#") }
  end

  allowed.each do |folder, knows|
    it "#{folder} knows #{knows.empty? ? "nothing of the others" : knows.join(", ")}" do
      strangers = layers - knows - [folder.capitalize]
      wrong =
        Dir[File.join(root, folder, "**/*.rb")].flat_map do |file|
          next [] if file.include?("/store/migrations/")

          code_lines(file).filter_map do |line, number|
            found = strangers.find { |layer| line.match?(/(?<![\w:])(?:AskFirst::)?#{layer}::/) }
            "#{file.delete_prefix("#{root}/")}:#{number + 1} names #{found}" if found
          end
        end
      # what a process is put together of is named where it starts
      wrong.reject! { |line| line.start_with?("jobs/dispatcher.rb", "jobs/worker.rb", "jobs/run.rb") }
      expect(wrong).to eq []
    end
  end

  describe "SQL is written in the store" do
    rest = Dir[File.join(root, "{app,jobs,web}/**/*.rb")].reject { |file| file.include?("/web/openapi/") }

    def naming(pattern, files)
      files.flat_map do |file|
        code_lines(file).filter_map do |line, number|
          "#{file}:#{number + 1}" if line.sub(%r{ # .*}, "").match?(pattern)
        end
      end
    end

    it "nobody else names the library, joins, groups or writes SQL" do
      sql = /\bSequel\b|\bjoin\(:|_join\b|\bgroup\(:|group_and_count|\bSELECT\b|fetch\(<</
      expect(naming(sql, rest)).to eq []
    end

    it "nothing is asked of the database by what answers a call or runs a job, but through an act or the store" do
      outside = rest.grep_v(%r{/app/})
      expect(naming(/\bdb\[|\.rows\(:|Store::Scope\.new|\.transaction\b/, outside)).to eq []
    end
  end

  it "core requires pure libraries only" do
    pure =
      %w[tzinfo uri digest json json/canonicalization securerandom csv date time diff/lcs holidays money rrule] +
        %w[email_reply_trimmer]
    wrong =
      Dir[File.join(root, "core/**/*.rb")].flat_map do |file|
        code_lines(file).filter_map do |line, number|
          if line =~ /^\s*require "([^"]+)"/ && !pure.include?(Regexp.last_match(1))
            "#{file}:#{number + 1} requires #{Regexp.last_match(1)}"
          end
        end
      end
    expect(wrong).to eq []
  end

  it "core reads no clock" do
    wrong =
      Dir[File.join(root, "core/**/*.rb")].flat_map do |file|
        code_lines(file).filter_map do |line, number|
          "#{file}:#{number + 1}" if line.match?(/Time\.now|Date\.today|Process\.clock/)
        end
      end
    expect(wrong).to eq []
  end

  it "the stand-ins and the product share no line" do
    wrong =
      Dir[File.join(root, "stand_ins/**/*.rb")].select do |file|
        File.read(file).match?(%r{AskFirst|require_relative "\.\./(?!Gemfile)})
      end
    wrong +=
      Dir[File.join(root, "{core,app,store,edge,jobs,web}/**/*.rb")].select do |file|
        File.read(file).match?(%r{StandIns|stand_ins/|stand-in network})
      end
    expect(wrong).to eq []
  end

  describe "what came from outside is read apart" do
    # called in the sandbox alone
    readers =
      %w[feeds/parser feeds/source feeds/named pages/preview mail/incoming] +
        %w[files/kinds files/pictures files/films files/documents files/retouch files/tools]
    readers = readers.map { |name| "edge/#{name}.rb" }
    libraries = /\b(?:Nokogiri|Loofah|Feedjira|Vips|Marcel|REXML|Ox|Zip::File|Roo|Mail\.read\w*|XMLParser)\b/
    files = Dir[File.join(root, "{core,app,store,edge,jobs,web}/**/*.rb")].map { |file| file.delete_prefix("#{root}/") }
    apart = files.reject { |file| readers.include?(file) || file.start_with?("edge/sandbox/") }

    it "no parser of outside data is named where the database and the secret are" do
      wrong =
        apart.flat_map do |file|
          code_lines(File.join(root, file)).filter_map do |line, number|
            "#{file}:#{number + 1}" if line.match?(libraries)
          end
        end
      expect(wrong).to eq []
    end

    it "the readers are called by the sandbox and by each other, with values that are no parser's" do
      called = /\b(?:(?:Parser|Source|Named|Preview)\.of|(?:Incoming|Kinds|Pictures|Films|Documents|Retouch)\.new)/
      wrong = apart.select { |file| code_lines(File.join(root, file)).any? { |line, _| line.match?(called) } }
      expect(wrong).to eq []
    end

    it "the process that sends has nothing to read with, and the others have" do
      expect(File.read(File.join(root, "jobs/dispatcher.rb"))).to include "sandbox: nil"
      environments = File.read(File.join(root, "config/environments.rb"))
      expect(environments.scan(/(\w+): sandbox && /).flatten).to match_array %w[media previews feeds messages]
    end
  end

  it "every constant stands in the file of its name" do
    expect { AskFirst::LOADER.eager_load(force: true) }.not_to raise_error
  end

  it "every act has one public method, and says what it does" do
    AskFirst::LOADER.eager_load
    acts = ObjectSpace.each_object(Class).select { |one| one < AskFirst::App::Act && one.name }
    odd = acts.reject { |one| (one.public_instance_methods(false) - %i[call]).empty? }
    expect(odd).to eq []
    expect(acts.size).to be > 25
  end

  describe "the one door" do
    acts =
      lambda do
        AskFirst::LOADER.eager_load
        ObjectSpace
          .each_object(Class)
          .select { |one| one < AskFirst::App::Act && one.name && one.method_defined?(:call) }
          .reject { |one| one.subclasses.any? && !one.instance_variable_defined?(:@way) }
      end

    it "every act says what it opens, by a way that the door knows and for an act of the table" do
      wrong =
        acts.call.reject do |act|
          way = act.way
          known = way.what == :inside || AskFirst::App::Door.method_defined?(way.what)
          known &&
            (way.act.nil? || way.act.respond_to?(:call) || AskFirst::Core::Permissions::Acts::TABLE.key?(way.act))
        rescue NotImplementedError
          false
        end
      expect(wrong).to eq []
      expect(acts.call.count { |act| act.way.what != :inside }).to be > 70
    end

    # What stands here goes around it, each with its reason.
    inside = {
      "app/mail_act.rb" => "two jobs about the same mail wait for each other",
      "app/record/seal.rb" => "a process over the whole record",
      "app/act.rb" => "reads again what the act has written",
      "app/signoff/verdicts/check_caches.rb" => "a process over every post",
      "app/posts/save_mention.rb" => "the posts that name somebody, found by the act itself",
      "app/clients/archive.rb" => "every released post of the client",
      "app/dispatch/showing_act.rb" => "the dispatcher's own moves",
      "app/dispatch/claim.rb" => "the dispatcher's claim",
      "app/dispatch/release_cleared.rb" => "what releases itself",
      **%w[ask_unconfirmed broken keep look_up prepare].to_h do |name|
        ["app/dispatch/#{name}.rb", "the dispatcher's own moves"]
      end
    }

    it "whatever an act puts on record has words where the record is read" do
      told =
        Dir[File.join(root, "app/**/*.rb")].flat_map { |file| File.read(file).scan(/\brecord\(\s*"(\w+)"/) }.flatten
      words = Dir[File.join(root, "ui/src/**/record*.ts")].map { |file| File.read(file) }.join
      expect(told.uniq.reject { |act| words.match?(/^\s*#{act}:/) }).to eq []
    end

    it "no act takes a lock or loads a standing by itself" do
      found =
        Dir[File.join(root, "app/**/*.rb")]
          .reject { |file| file.include?("/app/door") }
          .select { |file| File.read(file).match?(/Store::Locks\.|PostState\.load/) }
      expect(found.map { |file| file.delete_prefix("#{root}/") }).to match_array inside.keys
    end

    decides = %w[
      app/permissions/capabilities.rb
      app/posts/copy_post.rb
      app/clients/create_client.rb
      app/agency_act.rb
      app/reader.rb
      app/people/people_list.rb
      app/people/member_sheet.rb
      app/channels/finish_connect.rb
    ]

    it "nobody but the door decides what is allowed; what only asks for a page, or in another client, is named" do
      found =
        Dir[File.join(root, "app/**/*.rb")]
          .reject { |file| file.include?("/app/door") }
          .select { |file| File.read(file).include?("Permissions::Decision") }
      expect(found.map { |file| file.delete_prefix("#{root}/") }).to match_array decides
    end

    it "every route of a client hands over to an act" do
      wrong =
        Dir[File.join(root, "web/**/*_routes.rb")].flat_map do |file|
          blocks =
            File.read(file).scan(/^( *)app\.(?:get|head|post|put|patch|delete)\(("[^"]+")\) (\{.*?\}|do\n.*?^\1end)$/m)
          blocks
            .select { |_, route, _| route.match?(%r{/api/w/|\#\{at\}}) }
            .reject { |_, _, body| body.match?(/\bact[( ]/) && !body.match?(/Store::|environment\.db|Sequel/) }
            .map { |_, route, _| "#{File.basename(file)}: #{route}" }
        end
      expect(wrong).to eq []
    end

    it "every route of the description is one of them, so a new one cannot come in beside" do
      text = Dir[File.join(root, "web/**/*_routes.rb")].map { |file| File.read(file) }.join
      described = AskFirst::Web::Contract.schema.open_api.raw_schema["paths"].keys.grep(%r{\A/api/w/})
      routes =
        text
          .scan(/app\.(?:get|head|post|put|patch|delete)\("([^"]+)"\)/)
          .flatten
          .map { |route| route.sub("\#{at}", "/api/w/:workspace/posts/:post") }
      expect(routes.grep(%r{\A/api/w/}).map { |route| route.gsub(/:(\w+)/, '{\1}') }.uniq).to match_array described
    end
  end

  it "names no registry host but the Gemfile's one source" do
    wrong =
      Dir[File.join(root, "{ui/package-lock.json,Gemfile.lock,ui/package.json}")].select do |file|
        File.read(file).match?(/"resolved"/)
      end
    expect(wrong).to eq []
  end
end
