# frozen_string_literal: true

require "open3"

# The commands as a person runs them.
RSpec.describe "The commands" do
  Dir[File.join(Setup::ROOT, "bin/*")].each do |path|
    name = File.basename(path)

    it "bin/#{name} explains itself with --help" do
      output, status = Open3.capture2e("ruby", path, "--help", chdir: Setup::ROOT)
      expect(status).to be_success
      expect(output.lines.size).to be_between(2, 6)
      expect(output).not_to match(/require|frozen|^\s*$\n\s*$/)
    end
  end

  describe "with a database", :database do
    it "bin/console verify computes every stage anew and finds no difference" do
      world.draft.tap { |post| world.clear(post) }
      output, status = Open3.capture2e(world.variables, "ruby", "bin/console", "verify", chdir: Setup::ROOT)
      expect(output).to end_with "0 differences\n"
      expect(status).to be_success
    end

    it "bin/console verify names what was changed behind the application's back, and mends it on request" do
      post = world.draft
      world.owner[:posts].where(id: post).update(stage: "cleared")
      output, status = Open3.capture2e(world.variables, "ruby", "bin/console", "verify", chdir: Setup::ROOT)
      expect(output).to include "#{post}: stored cleared", "1 differences"
      expect(status).not_to be_success
      Open3.capture2e(world.variables, "ruby", "bin/console", "verify", "--mend", chdir: Setup::ROOT)
      expect(world.stage(post)).to eq "drafting"
    end

    it "bin/dispatcher ends when it is told to, at whatever moment of starting its child" do
      keepers =
        Array.new(8) do
          Process.spawn(
            world.variables,
            "ruby",
            "bin/dispatcher",
            chdir: Setup::ROOT,
            pgroup: true,
            out: File::NULL,
            err: File::NULL
          )
        end
      keepers.each_with_index do |pid, number|
        sleep 0.04 * number
        Process.kill("TERM", pid)
      end
      deadline = Time.now + 20
      left = keepers.dup
      left.reject! { |pid| Process.wait(pid, Process::WNOHANG) } && sleep(0.1) until left.empty? || Time.now > deadline
      expect(left).to eq []
    ensure
      left&.each { |pid| Process.kill("KILL", -Process.getpgid(pid)) }
    end

    it "bin/migrate runs on a database that is up to date, and changes nothing" do
      before = world.owner[:schema_info].all
      _, status = Open3.capture2e(world.variables, "ruby", "bin/migrate", chdir: Setup::ROOT)
      expect(status).to be_success
      expect(world.owner[:schema_info].all).to eq before
    end

    it "bin/seed fills an empty one with the whole demo, by acts that are there" do
      settings, environment = Infrastructure.settings(Infrastructure.database("spec_#{Process.pid}_demo"))
      output, status =
        Open3.capture2e(environment, "ruby", "bin/seed", Infrastructure.stand_ins[:url], chdir: Setup::ROOT)
      expect([status.success?, output]).to match [true, /\AThe demo is in: \d+ posts of 4 clients\.\Z/]
      demo = AskFirst::Store::Database.connect(settings.owner_url, pool: 1)
      filled = %i[feeds partners ideas campaigns fixtures media remarks].to_h { |table| [table, demo[table].any?] }
      expect(filled.values.uniq).to eq([true]), filled.to_s
    ensure
      demo&.disconnect
    end

    it "bin/seed refuses a database that people are in" do
      output, status =
        Open3.capture2e(world.variables, "ruby", "bin/seed", Infrastructure.stand_ins[:url], chdir: Setup::ROOT)
      expect(output).to include "only for an empty one"
      expect(status).not_to be_success
    end
  end
end
