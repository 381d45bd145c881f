# frozen_string_literal: true

require_relative "config/boot"
require "semantic_logger"
require "que"

SemanticLogger.add_appender(io: $stderr, formatter: :json, level: :warn)
settings = AskFirst::Settings.from(ENV)
run AskFirst::Web::Server.build(AskFirst::Kits.build(settings, settings.web_url, pool: 16))
