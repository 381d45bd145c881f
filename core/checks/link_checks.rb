# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # What was found at the end of a post's links, when they were last looked at.
      module LinkChecks
        SAYS = {
          "gone" => "is not there any more",
          "broken" => "answers with a fault",
          "silent" => "does not answer",
          "private" => "leads to a private address, which readers cannot reach"
        }.freeze

        module_function

        # @param request [Hash]
        # @return [Array<String>] every address that goes out, each once
        def addresses(request)
          text = request.fetch("text")
          [
            request["link"],
            *Links.find(text).map { |from, length| text[from, length] },
            *Links.find(request["first_comment"].to_s).map { |from, length| request["first_comment"][from, length] }
          ].compact.uniq
        end

        # @param looks [Hash{String=>Hash}] address => {state:, note:}
        # @return [Array<PostChecks::Finding>] warnings
        def call(request, looks)
          addresses(request).filter_map do |address|
            look = looks[address]
            says = look && SAYS[look[:state]] or next
            PostChecks.warning(
              "link_dead",
              "link",
              "#{short(address)} #{says}#{" (#{look[:note]})" unless look[:note].to_s.empty?}."
            )
          end
        end

        def short(address)
          plain = address.sub(%r{\Ahttps?://}, "").split("?").first
          plain.length > 60 ? "#{plain[0, 59]}…" : plain
        end
      end
    end
  end
end
