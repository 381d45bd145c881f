# frozen_string_literal: true

module AskFirst
  module Edge
    module Files
      # Reads PDF documents with Poppler's programs.
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

        private

        def broken
          Core::Invalid.new("document_broken", "The document's data is broken or locked by a password.", field: "file", way_on: "Export it again as PDF.")
        end
      end
    end
  end
end
