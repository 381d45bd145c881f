# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # A guest says something about the post of one line of their ask, in the client's room.
      class RemarkOnLine < Act
        opens :own_line, nil

        # @param said [Hash] words, pin, replacement: see Talk::Say
        # @raise [Core::Invalid] bad_pin, for what was not shown to them
        def call(line_id:, **said)
          on = said[:pin] && said[:pin]["adaptation_id"]
          if on && rows(:ask_line_adaptations).where(line_id: line_id).select_map(:adaptation_id).none?(on)
            raise not_shown
          end

          Talk::Say.call(environment, member, post_id: row[:post_id], room: "client", **said)
        end

        private

        def not_shown
          Core::Invalid.new(
            "bad_pin",
            "This is not on what you were asked about.",
            field: "pin",
            way_on: "Choose the place once more."
          )
        end
      end
    end
  end
end
