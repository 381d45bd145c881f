# frozen_string_literal: true

require "digest"

module AskFirst
  module App
    module Media
      # Makes the missing renditions of posts: the pictures exactly as they will be sent. Most are there already
      # (RenderAhead); what is not is cut before the transaction that needs it, since that takes a second. Made once,
      # they are kept and never change.
      class Render < Act
        stepwise
        inside # cut before the transaction that needs them, by whoever has passed the door

        def call(post_ids:)
          post_states(post_ids).each_value do |post|
            post.adaptations.each do |adaptation|
              adaptation.pictures.select { |picture| picture[:rendition_id].nil? }.each { |picture| make(picture) }
            end
          end
        end

        private

        def make(picture)
          source = fetch(:media, picture[:media_id], "This picture")
          id = new_id
          file = "#{member.workspace_id}/#{id}.#{environment.media.ending(picture[:spec])}"
          made = cut(source, picture[:spec]) { |io| put(file, io) }
          row = {
            workspace_id: member.workspace_id,
            id: id,
            media_id: picture[:media_id],
            spec: Store::Database.jsonb(picture[:spec]),
            file: file,
            mime: picture[:spec]["mime"],
            width: picture[:spec]["size"][0],
            height: picture[:spec]["size"][1],
            made_at: now,
            **made
          }
          write { environment.db[:renditions].insert_conflict.insert(row) }
        end

        # A film is never held as a whole.
        def put(file, io)
          environment.files.put(file, io)
          { bytes: io.size, digest: Digest::SHA256.file(environment.files.path(file)).hexdigest }
        end

        # @raise [Core::Conflict] file_faulty
        def cut(source, spec, &)
          raise Core::Media::Harmful.error if source[:harmful_at]

          environment.files.open(source[:file]) { |io| environment.media.render(io, spec, &) }
        rescue Core::Invalid, Errno::ENOENT => e
          write { MarkHarmful.call(environment, member, row: source) } if Core::Media::Harmful.it?(e)
          why = e.is_a?(Core::Error) ? e.message : "It is not where it was put."
          raise Core::Conflict.new(
                  "file_faulty",
                  "“#{source[:name]}” cannot be made ready to go out. #{why}",
                  field: "media",
                  way_on: "Put a newer version of it in its place in the media library."
                )
        end
      end
    end
  end
end
