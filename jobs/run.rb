# frozen_string_literal: true

# A process of what runs later: the dispatcher or a worker. Setup::Keeper keeps it up.
# usage: ruby jobs/run.rb Dispatcher|Worker
require_relative "../config/boot"
require "semantic_logger"

$stdout.sync = true
SemanticLogger.default_level = :info
SemanticLogger.add_appender(io: $stderr, formatter: :json, level: :warn)
AskFirst::LOADER.eager_load # threads that load the same files at once would wait for each other
AskFirst::Jobs.const_get(ARGV.fetch(0)).run(AskFirst::Settings.from(ENV))
