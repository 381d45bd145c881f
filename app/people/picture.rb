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
            environment.files.put(key, environment.media.square(io, 256))
          end
          db[:people].where(id: person.person_id).update(picture: key)
        end

        # @return [Hash] {path:, mime:}
        # @raise [Core::NotFound] one answer for no picture, nobody, and nobody of yours
        def self.open(environment, person, person_id)
          key =
            person
              .scope(environment.db)
              .transaction do
                shared =
                  person.person_id == person_id ||
                    person.scope(environment.db).rows(:memberships).where(person_id: person_id).any?
                shared ? environment.db[:people].where(id: person_id).get(:picture) : nil
              end
          raise Core::NotFound, "This picture" unless key

          { path: environment.files.path(key), mime: "image/jpeg" }
        end
      end
    end
  end
end
