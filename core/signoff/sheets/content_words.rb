# frozen_string_literal: true

require "json"

module AskFirst
  module Core
    module Signoff
      # A content that somebody was asked about, in words for paper: all of it, so that nothing that was said yes to is
      # missing under the words "agreed".
      module ContentWords
        TEXT = "Words"

        module_function

        # @param request [Hash] the material content (Posts::Request)
        # @return [Array<Array(String, String)>] label and words, in the order in which they are read
        def of(request)
          text = request["text"].to_s
          [
            [TEXT, text.empty? ? "No words" : text],
            *request["media"].to_a.each_with_index.map { |file, index| medium(file, index + 1) },
            *request
              .except("text", "media")
              .sort_by { |key, _| order(key) }
              .filter_map { |key, value| setting(key, value) }
          ]
        end

        def order(key) = Posts::RevisionDiff::LABELS.keys.index(key) || Posts::RevisionDiff::LABELS.size

        # With the whole digest, by which a file can be told from any other.
        def medium(file, number)
          kind = file.fetch("kind", "picture").capitalize
          words = file["description"].to_s.empty? ? "no description" : file["description"]
          length = file["length"] && "#{file["length"] / 1000.0} s"
          ["#{kind} #{number}", [words, length, "SHA-256 #{file["digest"] || "not known yet"}"].compact.join(", ")]
        end

        # A key that no words are known for is told as it stands rather than left out.
        def setting(key, value)
          words = value.is_a?(Hash) && !known?(key) ? JSON.generate(value) : Posts::InWords.of(key, value)
          words && [Posts::RevisionDiff::LABELS.fetch(key, key.tr("_", " ").capitalize), words]
        end

        def known?(key) = Posts::RevisionDiff::LABELS.key?(key)
        private_class_method :order, :medium, :setting, :known?
      end
    end
  end
end
