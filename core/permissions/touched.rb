# frozen_string_literal: true

module AskFirst
  module Core
    module Permissions
      # What an act would touch, as far as permission hangs on it. Everything may be left out: nil means that it plays
      # no part.
      #
      # channel_ids: channels whose content changes · owners: person ids whose own thing it is · asked: person ids
      # with a place in the open ask · sealed, going, out: names of channels whose content is sealed, is being sent,
      # is out · facts:
      # what the interface needs to help with a refusal
      Touched =
        Struct.new(:channel_ids, :owners, :asked, :sealed, :going, :out, :facts, keyword_init: true) do
          def own?(person_id)
            owners.nil? || owners.include?(person_id)
          end
        end
      Touched::NOTHING = Touched.new.freeze
    end
  end
end
