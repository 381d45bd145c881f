# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # Whether a database is an older state of itself. It keeps the identifier of the server that it lies in and
      # watermarks that only grow; the highest watermark is also written down outside it, always after the database has
      # it. So a database that knows less than what lies outside has been brought back.
      module BroughtBack
        # server: the identifier that the database keeps, nil where nothing has run on it yet · here: that of the server
        # that it lies in · watermark: the highest that it knows · outside: the one outside, read before; nil where
        # there is none · strange: what lies there is another database's
        Facts = Struct.new(:server, :here, :watermark, :outside, :strange, keyword_init: true)

        module_function

        # @param facts [Facts]
        # @return [String, nil] why it is taken for one that was brought back: other_server, no_watermark or older
        def why(facts)
          return "no_watermark" if facts.strange
          return if facts.server.nil?
          return "other_server" if facts.server != facts.here
          return "no_watermark" if facts.outside.nil?

          "older" if facts.outside > facts.watermark
        end
      end
    end
  end
end
