# frozen_string_literal: true

require "stringio"
require "tempfile"

module AskFirst
  module Edge
    module Files
      # Reads media and makes them ready, in the sandbox: what a file truly is (Kinds), how it looks on the screen, and
      # the file that goes out.
      class MediaReader
        # @param sandbox [Sandbox]
        def initialize(sandbox)
          @sandbox = sandbox
        end

        # @param io [IO] of any file
        # @return [String] its true type, from its bytes
        def type(io) = of_file(:type, io)

        # @param io [IO]
        # @return [Hash] kind, mime, width, height; duration_ms and frame_rate of a video, pages of a document, latitude
        #   and longitude of a picture; without what is not known
        # @raise [Core::Invalid] what is wrong with the file
        def inspect(io) = of_file(:inspect, io).compact

        # @param at [Integer, nil] milliseconds of a film, of the picture that it is shown by
        # @return [IO] a JPEG
        def preview(io, kind, at: nil) = picture(:preview, io, kind: kind, at: at)

        # @param preview [IO] as of `preview`
        # @return [IO] the same small enough for a list
        def thumb(preview) = small(preview, Kinds::THUMB)

        # @param side [Integer] pixels of the longer side, at most
        # @return [IO] a small JPEG of a picture
        def small(io, side) = picture(:small, io, side: side)

        # @param side [Integer] pixels
        # @return [IO] a square JPEG of a picture: a person's or a client's
        def square(io, side) = picture(:square, io, side: side)

        # @param io [IO] of a picture
        # @return [Array<Integer>] the grey values that Core::Media::Likeness is made of
        def greys(io) = of_file(:greys, io)

        # @param preview [IO] of a picture
        # @return [Array<Array<Integer>>] what Core::Media::TextRegions looks at
        def edges(preview) = of_file(:edges, preview)

        # @param spec [Hash] of Core::Media::Renditions
        # @yieldparam made [IO] of the file as it goes out, while it is there
        # @return [Object] of the block; without one the bytes
        # @raise [Core::Invalid] what is wrong with the file
        def render(io, spec, &taken) = into_file(:render, io, { spec: spec }, taken || :read.to_proc)

        # @param edit [Hash] of Core::Media::Edit
        # @param font [String, nil] path of the file in whose letters words are written
        # @return [String] bytes of the picture that is made
        def edit(io, edit, mime, font: nil)
          input = { edit: edit, mime: mime }
          return picture(:edit, io, **input).string unless font

          ::File.open(font, "rb") { |letters| picture(:edit, io, letters, **input).string }
        end

        # @param edit [Hash] of Core::Media::FilmEdit
        # @yieldparam made [IO] of the film that is made, while it is there
        def edit_film(io, edit, mime, &taken) = into_file(:edit_film, io, { edit: edit, mime: mime }, taken)

        # @return [String] what the made file's name ends with
        def ending(spec) = Kinds::ENDINGS.fetch(spec["mime"])

        private

        def of_file(name, io, *more, **input)
          with_descriptor(io) { |file| @sandbox.call(name, input, files: [file, *more]) }
        rescue Sandbox::Exceeded
          raise Core::Media::Harmful.error # it is not tried again
        rescue Sandbox::Failed
          raise unreadable
        end

        def picture(name, io, *more, **input)
          _, bytes = of_file(name, io, *more, **input)
          raise unreadable if bytes.nil?

          StringIO.new(bytes.first)
        end

        def into_file(name, io, input, taken)
          Tempfile.create("made", binmode: true) do |made|
            of_file(name, io, made, **input)
            made.rewind
            taken.call(made)
          end
        end

        # What lies in memory is put into a file: the child gets its descriptor.
        def with_descriptor(io)
          io.rewind
          return yield io if io.respond_to?(:fileno) && io.fileno

          Tempfile.create("read", binmode: true) do |file|
            IO.copy_stream(io, file)
            file.flush
            yield file
          end
        end

        def unreadable
          Core::Invalid.new(
            "file_unreadable",
            "This file cannot be read.",
            field: "file",
            way_on: "Export it again, and upload that."
          )
        end
      end
    end
  end
end
