# frozen_string_literal: true

module AskFirst
  module Edge
    module Files
      # Reads PDF documents with Poppler's programs, and makes them ready: their pages drawn anew, so that nothing
      # else that lay in the file goes out. Scripts, actions that start programs, files inside it, reviewers' notes,
      # forms and metadata are not pages; links are not taken along either.
      class Documents
        TYPES = %w[application/pdf].freeze
        # the key under which a page holds notes, forms and links, and what it is made into: of one length, so that
        # nothing moves
        NOTES = "/Annots"
        NO_NOTES = "/Xnnots"

        # @return [Hash] width, height (points of its first page), pages
        # @raise [Core::Invalid] document_broken
        def inspect(io)
          Tools.at_path(io) do |path|
            pages = Tools.run("qpdf", "--show-npages", "--warning-exit-0", path).to_s.strip
            size = size(Tools.run("pdfinfo", "-f", "1", "-l", "1", path).to_s)
            raise broken unless pages.match?(/\A[1-9]\d{0,5}\z/) && size

            { width: [size[0].round, 1].max, height: [size[1].round, 1].max, pages: pages.to_i }
          end
        end

        # @return [IO] a JPEG of its first page, as it goes out
        def preview(io)
          bytes =
            Tools.at_path(io) do |path|
              without_notes(path) do |plain|
                Tools.run("pdftoppm", "-jpeg", "-f", "1", "-l", "1", "-scale-to", "1200", plain)
              end
            end
          raise broken if bytes.nil? || bytes.empty?

          StringIO.new(bytes)
        end

        # @return [String] bytes; the same each time
        # @raise [Core::Invalid] document_broken
        def render(io)
          Tools.at_path(io) { |path| without_notes(path) { |plain| drawn_anew(plain) } }
        end

        private

        # What a document says of itself comes first and may hold anything, line ends too: its true size is the last
        # line of that kind.
        def size(said)
          said.scrub("").scan(/^Page\s+1 size:\s+([\d.]+) x ([\d.]+)/).last&.map(&:to_f)
        end

        # In the plain form that QPDF writes, keys stand as they are.
        def without_notes(path)
          Tempfile.create(%w[plain .pdf]) do |plain|
            Tools.run("qpdf", "--qdf", "--object-streams=disable", "--warning-exit-0", "--decrypt", path, plain.path) or
              raise broken
            bytes = ::File.binread(plain.path)
            ::File.binwrite(plain.path, bytes.gsub(/#{NOTES}(?![A-Za-z0-9])/n, NO_NOTES))
            yield plain.path
          end
        end

        def drawn_anew(path)
          Tempfile.create(%w[drawn .pdf]) do |drawn|
            Tools.run("pdftocairo", "-pdf", path, drawn.path) or raise broken
            Tempfile.create(%w[document .pdf]) do |made|
              Tools.run(
                "qpdf",
                "--empty",
                "--deterministic-id",
                "--warning-exit-0",
                "--pages",
                drawn.path,
                "--",
                made.path
              ) or raise broken
              return ::File.binread(made.path)
            end
          end
        end

        def broken
          Core::Invalid.new(
            "document_broken",
            "The document's data is broken or locked by a password.",
            field: "file",
            way_on: "Export it again as PDF."
          )
        end
      end
    end
  end
end
