# frozen_string_literal: true

module AskFirst
  module Edge
    module Files
      # Reads PDF documents with Poppler's programs, and makes them ready with QPDF.
      class Documents
        TYPES = %w[application/pdf].freeze

        # @return [Hash] width, height (points of its first page), pages
        # @raise [Core::Invalid] document_broken
        def inspect(io)
          said = Tools.at_path(io) { |path| Tools.run("pdfinfo", path) }
          pages = said.to_s[/^Pages:\s+(\d+)/, 1].to_i
          size = said.to_s.match(/^Page size:\s+([\d.]+) x ([\d.]+)/)
          raise broken unless pages.positive? && size

          { width: [size[1].to_f.round, 1].max, height: [size[2].to_f.round, 1].max, pages: pages }
        end

        # @return [IO] a JPEG of its first page
        def preview(io)
          bytes = Tools.at_path(io) { |path| Tools.run("pdftoppm", "-jpeg", "-f", "1", "-l", "1", "-scale-to", "1200", path) }
          raise broken if bytes.nil? || bytes.empty?

          StringIO.new(bytes)
        end

        # The same pages, unchanged, without what else lies in the file: who wrote it with what, scripts, files inside it. The same
        # bytes each time.
        # @return [String] bytes
        # @raise [Core::Invalid] document_broken
        def render(io)
          Tools.at_path(io) do |path|
            Tempfile.create(["document", ".pdf"]) do |made|
              Tools.run("qpdf", "--empty", "--deterministic-id", "--warning-exit-0", "--pages", path, "--", made.path) or raise broken
              ::File.binread(made.path)
            end
          end
        end

        private

        def broken
          Core::Invalid.new("document_broken", "The document's data is broken or locked by a password.", field: "file", way_on: "Export it again as PDF.")
        end
      end
    end
  end
end
