# frozen_string_literal: true

require "marcel"

module AskFirst
  module Edge
    module Files
      # Media of every kind behind one door: what a file truly is, how it looks on the screen, and how it is made
      # ready to go out. Called in the sandbox, by MediaReader.
      class Kinds
        # bytes that are taken of each kind
        MOST = { "picture" => 40 * 1024 * 1024, "video" => 200 * 1024 * 1024, "document" => 60 * 1024 * 1024 }.freeze
        THUMB = 400 # pixels of the longer side
        ENDINGS = Films::ENDINGS.merge("application/pdf" => "pdf", "image/jpeg" => "jpg").freeze
        TYPES = [*Pictures::TYPES, *Films::TYPES, *Documents::TYPES].freeze

        # @return [String, nil] the kind of these bytes
        def self.of(bytes)
          mime = Marcel::MimeType.for(StringIO.new(bytes))
          { "picture" => Pictures::TYPES, "video" => Films::TYPES, "document" => Documents::TYPES }.find do |_, types|
              types.include?(mime)
            end
            &.first
        end

        # @return [String] the true type of any file
        def self.type(io)
          io.rewind
          Marcel::MimeType.for(io)
        end

        def initialize
          @pictures = Pictures.new
          @films = Films.new
          @documents = Documents.new
          @retouch = Retouch.new
        end

        # @param io [IO] rewindable
        # @return [Hash] kind, mime, width, height; duration_ms of a video, pages of a document
        # @raise [Core::Invalid] what is wrong with the file
        def inspect(io)
          mime = self.class.type(io)
          kind = kind_of(mime)
          raise too_heavy(kind) if io.size > MOST.fetch(kind)

          case kind
          when "video"
            { kind: kind, mime: mime }.merge(@films.inspect(io))
          when "document"
            { kind: kind, mime: mime }.merge(@documents.inspect(io))
          else
            { kind: kind }.merge(@pictures.inspect(io))
          end
        end

        # @param at [Integer, nil] milliseconds of a film, of the picture that it is shown by
        # @return [IO] a JPEG
        def preview(io, kind, at: nil)
          return @films.still(io, at) if at && kind == "video"

          { "video" => @films, "document" => @documents }.fetch(kind, @pictures).preview(io)
        end

        # @param io [IO] of a picture
        # @return [Array<Integer>] the grey values that Core::Media::Likeness is made of
        def greys(io)
          @pictures.greys(io, Core::Media::Likeness::ACROSS, Core::Media::Likeness::DOWN)
        end

        # @param face [IO] of a picture
        # @return [Array<Array<Integer>>] what Core::Media::TextRegions looks at
        def edges(face) = @pictures.edges(face)

        # @param spec [Hash] of Core::Media::Renditions
        # @param into [String] path of the file as it goes out
        # @return [Hash] nothing
        # @raise [Core::Invalid] what is wrong with the file
        def render(io, spec, into)
          if spec["kind"] == "video"
            @films.render(io, spec["mime"], into)
          else
            io.rewind
            made = spec["kind"] == "document" ? @documents.render(io) : @pictures.render(io.read, spec)
            ::File.binwrite(into, made)
          end
          {}
        end

        # @param edit [Hash] of Core::Media::Edit
        # @param font [String, nil] path of the file in whose letters words are written
        # @return [String] bytes of the picture that is made
        def edit(io, edit, mime, font: nil)
          io.rewind
          @retouch.call(io.read, edit, mime, font)
        end

        # @param edit [Hash] of Core::Media::FilmEdit
        # @param into [String] path of the film that is made
        # @return [Hash] nothing
        def edit_film(io, edit, mime, into)
          @films.edit(io, edit, mime, into)
          {}
        end

        private

        # What is of no kind that is taken is looked at as a picture, which says so.
        def kind_of(mime)
          return "video" if Films::TYPES.include?(mime)

          Documents::TYPES.include?(mime) ? "document" : "picture"
        end

        def too_heavy(kind)
          Core::Invalid.new(
            "#{kind}_too_large",
            "The #{kind} is larger than #{MOST.fetch(kind) / 1024 / 1024} MB.",
            field: "file",
            way_on: "Export it smaller."
          )
        end
      end
    end
  end
end
