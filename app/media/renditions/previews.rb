# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # How a medium looks on the screen: large, and small in a list. Kept beside its file; made anew where it is
      # missing.
      module Previews
        LARGE = "preview"
        SMALL = "thumb"

        module_function

        # A film that is shown by another picture has other previews: a file of the store never changes.
        # @param row [Hash] of a medium: file, cover_ms
        # @return [String] id in the store of files
        def id(row, size) = [row[:file], row[:cover_ms], size].compact.join(".")

        # @param row [Hash] of a medium
        # @param large [IO] a JPEG for the screen
        def keep(environment, row, large)
          environment.files.put(id(row, LARGE), large)
          environment.files.put(id(row, SMALL), environment.media.thumb(large))
        end

        # @param row [Hash] of a medium
        # @param size [String] LARGE or SMALL
        # @return [String] its path
        # @raise [Core::NotFound] where its file is gone
        def path(environment, row, size)
          wanted = id(row, size)
          unless environment.files.there?(wanted)
            raise Core::NotFound, "This file" if row[:harmful_at]

            environment
              .files
              .open(row[:file]) do |io|
                keep(environment, row, environment.media.preview(io, row[:kind], at: row[:cover_ms]))
              end
          end
          environment.files.path(wanted)
        rescue Errno::ENOENT
          raise Core::NotFound, "This file"
        end
      end
    end
  end
end
