# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # Whether a database is an older state of itself. It keeps the identifier of the server that it lies in and
      # marks that only grow; the highest mark is also written down outside it, always after the database has it. So a
      # database that knows less than what lies outside has been brought back.
      module BroughtBack
        # server: the identifier that the database keeps, nil where nothing has run on it yet · here: that of the
        # server that it lies in · mark: the highest that it knows · outside: the one outside, read before; nil where
        # there is none · strange: what lies there is another database's
        Facts = Struct.new(:server, :here, :mark, :outside, :strange, keyword_init: true)

        module_function

        # @param facts [Facts]
        # @return [String, nil] why it is taken for one that was brought back: other_server, no_mark or older
        def why(facts)
          return "no_mark" if facts.strange
          return if facts.server.nil?
          return "other_server" if facts.server != facts.here
          return "no_mark" if facts.outside.nil?

          "older" if facts.outside > facts.mark
        end
      end
    end
  end
end
