# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Reads the page of a link for whoever asked, with its picture taken into the client's files when that is
      # wanted, and tells them that it is there.
      class ReadLink < Act
        stepwise
        of_process

        PAGE = 6 # seconds for the page; with Media::PullPicture's for its picture ten in all, whatever stands there

        def call(reading_id:)
          row = reading { rows(:link_readings).where(id: reading_id, read_at: nil).first } or return
          asker = reading { colleagues.find { |one| one.person_id == row[:person_id] } }
          state, found = look(row, asker)
          write { Store::Posts::LinkReadings.keep(scope, row[:id], state, found, now) }
          Live.tell(
            environment,
            member.workspace_id,
            { what: "link_read", ids: [], reading: row[:id] },
            [row[:person_id]]
          )
        end

        private

        # @return [Array(String, Hash)] state, and what was found
        def look(row, asker)
          page = page(row[:address])
          said = environment.previews.of(page)
          media_id = Media::PullPicture.call(environment, asker, address: said[:picture]) if row[:picture] && asker
          [
            "fine",
            {
              title: said[:title],
              words: said[:words],
              picture: said[:picture],
              media_id: media_id,
              address: page.address
            }
          ]
        rescue Core::Checks::Unreadable => e
          [e.state, { note: e.note }]
        end

        def page(address)
          page = environment.pages.get(address, seconds: PAGE)
          raise Core::Checks::Unreadable.new("broken", "it answers with #{page.status}") unless page.status == 200
          unless page.type.include?("html")
            raise Core::Checks::Unreadable.new(
                    "broken",
                    "it is no page but #{page.type.empty? ? "something unnamed" : page.type}"
                  )
          end

          page
        end
      end
    end
  end
end
