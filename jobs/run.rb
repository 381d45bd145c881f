# frozen_string_literal: true

# The dispatcher process itself; bin/dispatcher keeps it up.
require_relative "../config/boot"
require "semantic_logger"

$stdout.sync = true
SemanticLogger.default_level = :info
SemanticLogger.add_appender(io: $stderr, formatter: :json, level: :warn)
AskFirst::LOADER.eager_load # threads that load the same files at once would wait for each other
AskFirst::Jobs::Process.run(AskFirst::Settings.from(ENV))
