# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # How a medium looks on the screen: large, and small in a list. Kept beside its file; made anew where it is
      # missing.
      module Faces
        LARGE = "preview"
        SMALL = "thumb"

        module_function

        # @param file [String] of the medium
        # @param large [IO] a JPEG for the screen
        def keep(kit, file, large)
          kit.files.put("#{file}.#{LARGE}", large)
          kit.files.put("#{file}.#{SMALL}", kit.kinds.thumb(large))
        end

        # @param row [Hash] of a medium
        # @param face [String] LARGE or SMALL
        # @return [String] its path
        # @raise [Core::NotFound] where its file is gone
        def path(kit, row, face)
          id = "#{row[:file]}.#{face}"
          unless kit.files.there?(id)
            kit
              .files
              .open(row[:file]) { |io| keep(kit, row[:file], kit.kinds.preview(io, row[:kind], at: row[:cover_ms])) }
          end
          kit.files.path(id)
        rescue Errno::ENOENT
          raise Core::NotFound, "This file"
        end
      end
    end
  end
end
