# frozen_string_literal: true

module AskFirst
  module Core
    module Ideas
      # A mail to somebody's private address for ideas: what is to become of it. Its subject is the title, its words the
      # note.
      module ByMail
        PREFIX = /\A(?:\s*(?:re|fwd?|aw|wg|tr)\s*:)+/i # common practice, no source

        # what the owner of the address is told; of the others nobody is
        NOT_KEPT = {
          "forged" => "its sender could not be confirmed",
          "elsewhere" => "it did not come from your own address",
          "too_many" => "many came within an hour",
          "too_long" => "it was too large to be read",
          "unreadable" => "it could not be read",
          "empty" => "there were no words in it"
        }.freeze

        module_function

        # @param mail [Talk::Reply::Mail]
        # @param place [Talk::Reply::Place]
        # @param title [String] as of `title`
        # @return [String] kept, or one of Talk::Reply::OUTCOMES
        def outcome(mail, place, title)
          found = Talk::Reply.outcome(mail, place)
          found == "said" || (found == "empty" && !title.empty?) ? "kept" : found
        end

        # @param subject [String] of the mail
        # @return [String] without what mail programs put before it; may be empty
        def title(subject)
          Posts::Text.line(subject.to_s.gsub(/[\u0000-\u001F\u007F-\u009F]/, " ").sub(PREFIX, ""), field: "title")[
            0,
            Idea::TITLE
          ]
        end

        # @param words [String] what was written
        # @param left [Array<String>] names of files that are not kept
        # @return [String]
        def note(words, left)
          left.empty? ? words : [words, "Not kept of the mail: #{left.join(", ")}"].reject(&:empty?).join("\n\n")
        end
      end
    end
  end
end
