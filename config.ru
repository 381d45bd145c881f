# frozen_string_literal: true

require_relative "config/boot"
require "semantic_logger"
require "que"

SemanticLogger.add_appender(io: $stderr, formatter: :json, level: :warn)
settings = AskFirst::Settings.from(ENV)
sandbox = AskFirst::Environments.sandbox(settings, patience: 25) # seconds that a file holds one of our threads at most
sandbox.warm
environment = AskFirst::Environments.build(settings, settings.web_url, pool: 17, sandbox: sandbox) # one for the marks
AskFirst::Web::Watermarks.keep(environment)
run AskFirst::Web::Server.build(environment)
