# frozen_string_literal: true

require "uri"

module AskFirst
  module Core
    module People
      # Mail addresses as people paste them: by the tens, one a line or with commas, with names around them, with
      # slips. Each is shown for itself; the good ones are kept.
      module Addresses
        MOST = 100
        Found = Struct.new(:typed, :address, :problem, keyword_init: true)

        module_function

        # @param text [String]
        # @return [Array<Found>] in order, each with its address or its problem
        def read(text)
          typed = text.scan(/[^\n,;]*<[^>\n]*>|[^\s,;]+/).map(&:strip).reject(&:empty?)
          if typed.size > MOST
            raise TooMany.new(
                    "These are #{typed.size} addresses; at most #{MOST} are invited at once.",
                    field: "addresses",
                    way_on: "Send some of them first."
                  )
          end

          seen = {}
          typed.map { |one| found(one, seen) }
        end

        def found(typed, seen)
          address = (typed[/<([^>]*)>/, 1] || typed).strip
          problem = problem(address)
          return Found.new(typed: typed, problem: problem) if problem
          return Found.new(typed: typed, problem: "Is in the list twice.") if seen[address.downcase]

          seen[address.downcase] = true
          Found.new(typed: typed, address: address)
        end

        # @return [String, nil] what is wrong with an address; the pattern is that of the HTML standard's e-mail field
        def problem(address)
          local, at, domain = address.rpartition("@")
          return "Has no @." if at.empty?
          return "Has two @." if local.include?("@")
          return "Has nothing before the @." if local.empty?
          return "Has two dots in a row, or a dot at an end." if address.match?(/\.\.|\A\.|\.\z|\.@|@\./)
          return "Has no whole domain after the @ (such as name.example)." unless domain.include?(".")
          return "Is longer than 254 characters." if address.length > 254

          URI::MailTo::EMAIL_REGEXP.match?(address) ? nil : "Has a character that an address cannot have."
        end
      end
    end
  end
end
