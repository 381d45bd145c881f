# frozen_string_literal: true

require "stringio"

module AskFirst
  module App
    module People
      # A person's own picture: taken in, shown to whoever shares a client with them, taken away.
      class Picture < AgencyAct
        MOST_BYTES = 20 * 1024 * 1024

        # @param io [IO, nil] nil takes it away
        def call(io:)
          key = nil
          if io
            if io.size > MOST_BYTES
              raise Core::Invalid.new(
                      "picture_too_large",
                      "The file is larger than 20 MB.",
                      field: "file",
                      way_on: "Export it smaller."
                    )
            end

            key = "people/#{new_id}"
            kit.files.put(key, kit.media.square(io, 256))
          end
          db[:people].where(id: person.person_id).update(picture: key)
        end

        # @return [Hash] {path:, mime:}
        # @raise [Core::NotFound] one answer for no picture, nobody, and nobody of yours
        def self.open(kit, person, person_id)
          key =
            person
              .scope(kit.db)
              .transaction do
                shared =
                  person.person_id == person_id ||
                    person.scope(kit.db).rows(:memberships).where(person_id: person_id).any?
                shared ? kit.db[:people].where(id: person_id).get(:picture) : nil
              end
          raise Core::NotFound, "This picture" unless key

          { path: kit.files.path(key), mime: "image/jpeg" }
        end
      end
    end
  end
end
