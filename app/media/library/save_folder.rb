# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Makes a folder for media, or gives one another name.
      class SaveFolder < Act
        opens :client, "add_media"

        MOST = 200

        # @param folder_id [String, nil] nil for a new one
        # @return [String] its id
        # @raise [Core::Invalid, Core::Conflict] name_missing, name_taken, too_many_folders
        def call(name:, folder_id: nil)
          clean = Core::Posts::Text.line(name, field: "name", limit: Core::Lengths::NAME)
          raise nameless if clean.empty?

          before = folder_id && fetch(:media_folders, folder_id, "This folder")
          raise too_many if before.nil? && rows(:media_folders).count >= MOST

          id = folder_id || new_id
          named(clean) { write_down(id, clean, before) }
          record("folder_saved", facts: { name: clean, before: before && before[:name] })
          announce("media", ids: [])
          id
        end

        private

        def write_down(id, name, before)
          if before
            rows(:media_folders).where(id: id).update(name: name)
          else
            scope.insert(:media_folders, { id: id, name: name })
          end
        end

        def named(name, &block)
          scope.transaction(savepoint: true, &block)
        rescue Store::Failures::Taken
          raise Core::NameTaken, "a folder “#{name}”"
        end

        def nameless
          Core::Invalid.new("name_missing", "A folder needs a name.", field: "name", way_on: "Give it one.")
        end

        def too_many
          Core::TooMany.new("A client has #{MOST} folders at most.", of: "folders", way_on: "Use labels as well.")
        end
      end
    end
  end
end
