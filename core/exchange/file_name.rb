# frozen_string_literal: true

module AskFirst
  module Core
    module Exchange
      # Names of files. Of one that is handed out: one that shows what it is and that every system takes. Of one that
      # comes in: what it was called, without folders and without signs that nobody sees. Signs that turn the direction
      # of writing round (U+202E and its like; Unicode Technical Report 36) would show "exe.gpj" as "jpg.exe".
      module FileName
        LONGEST = 120
        KEPT = 255 # characters of one that comes in
        # without the joiners that scripts and emoji are written with
        UNSEEN = /[\p{Cc}\p{Zl}\p{Zp}]|(?![\u200C\u200D])\p{Cf}/
        # what some system refuses, controls, and signs that nobody sees
        BAD = %r{[/\\:*?"<>|\p{Cc}\p{Cf}\p{Zl}\p{Zp}]}
        RESERVED = /\A(?:con|prn|aux|nul|com\d|lpt\d)(?:\.|\z)/i # names of devices on some systems

        module_function

        # @param name [String] as somebody called it
        # @param otherwise [String] where nothing is left of it
        # @return [String]
        def clean(name, otherwise: "file")
          text =
            name
              .to_s
              .scrub("")
              .unicode_normalize(:nfc)
              .gsub(BAD, "-")
              .gsub(/[[:space:]]+/, " ")
              .sub(/\A[ .]+/, "")
              .sub(/[ .]+\z/, "")
          text = "-#{text}" if RESERVED.match?(text)
          text = shorten(text)
          text.delete("- .").empty? ? otherwise : text
        end

        # @param name [String] as somebody's file was called when it came in; folders before it are left out
        # @return [String]
        def incoming(name, otherwise: "file")
          plain = name.to_s.dup.force_encoding(Encoding::UTF_8).scrub("").unicode_normalize(:nfc)
          text = plain.split(%r{[/\\]}).last.to_s.gsub(UNSEEN, " ").gsub(/[[:space:]]+/, " ").strip[0, KEPT].to_s.strip
          text.delete(". ").empty? ? otherwise : text
        end

        # The end tells what it is, and stays.
        def shorten(text)
          return text if text.length <= LONGEST

          ending = ::File.extname(text)[0, 12]
          "#{text[0, LONGEST - ending.length]}#{ending}"
        end
        private_class_method :shorten
      end
    end
  end
end
