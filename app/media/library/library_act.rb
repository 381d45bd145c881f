# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # What the acts on a client's library share.
      class LibraryAct < Act
        private

        # @return [Date] as the client's calendar has it
        def today = @today ||= Date.iso8601(Core::Plan::WallTime.at(now, member.zone).local_date)
        def card(found) = Card.json(found, today)
        def library = @library ||= Store::Media::Library.new(scope, today)

        # A folder that a file is put into: it does not go away meanwhile.
        # @return [String] its id
        # @raise [Core::NotFound]
        def folder(id)
          raise Core::NotFound, "This folder" unless Core::Uuid::FORMAT.match?(id.to_s)

          rows(:media_folders).where(id: id).for_share.get(:id) or raise Core::NotFound, "This folder"
        end

        def can
          @can ||= { add_media: Permissions::Capabilities.one(member, "add_media", colleagues, touching) }
        end
      end
    end
  end
end
