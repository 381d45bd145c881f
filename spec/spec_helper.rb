# frozen_string_literal: true

ENV["ASK_FIRST_ENV"] = "test"
require_relative "coverage_figures" if ENV["COVERAGE"] == "figures" # by bin/test, for a whole run
require_relative "../config/boot"

RSpec.configure do |config|
  config.expect_with(:rspec) { |expectations| expectations.include_chain_clauses_in_custom_matcher_descriptions = true }
  config.disable_monkey_patching!
  # nothing may hang on the order; `--seed N` runs one again
  config.order = :random
  # Those with a browser come one after the other, so that the processes that they begin run beside no other spec; and
  # where specs run in several processes, not in all of them at the same time: browsers are the heaviest of all.
  config.register_ordering(:global) do |groups|
    browsers, others = groups.shuffle(random: Random.new(config.seed)).partition { |group| group.metadata[:browser] }
    before = others.size * { "2" => 0, "3" => 1 }.fetch(ENV.fetch("TEST_ENV_NUMBER", ""), 2) / 2
    others.first(before) + browsers + others.drop(before)
  end
  Kernel.srand(config.seed)
  config.shared_context_metadata_behavior = :apply_to_host_groups
  config.define_derived_metadata(file_path: %r{/spec/(app|web|jobs)/}) do |metadata|
    metadata[:database] = true unless metadata.key?(:database)
  end
end

Dir[File.join(__dir__, "support/*.rb")].each { |file| require file }
