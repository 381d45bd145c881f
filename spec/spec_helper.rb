# frozen_string_literal: true

ENV["ASK_FIRST_ENV"] = "test"
require_relative "../config/boot"

RSpec.configure do |config|
  config.expect_with(:rspec) { |expectations| expectations.include_chain_clauses_in_custom_matcher_descriptions = true }
  config.disable_monkey_patching!
  # nothing may hang on the order; `--seed N` runs one again
  config.order = :random
  # Those with a browser come last: the processes that they begin run on to the end of this one, beside no other spec.
  config.register_ordering(:global) do |groups|
    groups.shuffle(random: Random.new(config.seed)).partition { |group| !group.metadata[:browser] }.flatten(1)
  end
  Kernel.srand(config.seed)
  config.shared_context_metadata_behavior = :apply_to_host_groups
  config.define_derived_metadata(file_path: %r{/spec/(app|web|jobs)/}) do |metadata|
    metadata[:database] = true unless metadata.key?(:database)
  end
end

Dir[File.join(__dir__, "support/*.rb")].each { |file| require file }
