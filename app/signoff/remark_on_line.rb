# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # A guest says something about the post of one line of their ask, in the client's room.
      class RemarkOnLine < Act
        def call(line_id:, words:)
          line = fetch(:ask_lines, line_id, "This ask")
          raise Core::NotFound, "This ask" unless line[:ask_id] == member.ask_id

          Talk::Say.call(kit, member, post_id: line[:post_id], room: "client", words: words)
        end
      end
    end
  end
end
