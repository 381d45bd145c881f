# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # What the acts on a client's library share.
      class LibraryAct < Act
        private

        # @return [Date] as the client's calendar has it
        def today = @today ||= Date.iso8601(Core::Plan::WallTime.at(now, workspace[:zone]).local_date)
        def library = @library ||= Store::Media::Library.new(scope, today)

        def can
          { add_media: Permissions::Capabilities.one(member, "add_media", colleagues, touching) }
        end
      end
    end
  end
end
