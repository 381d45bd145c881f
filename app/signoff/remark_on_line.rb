# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # A guest says something about the post of one line of their ask, in the client's room.
      class RemarkOnLine < Act
        opens :own_line, nil

        # @param said [Hash] words, pin, replacement: see Talk::Say
        def call(line_id:, **said)
          Talk::Say.call(kit, member, post_id: row[:post_id], room: "client", **said)
        end
      end
    end
  end
end
