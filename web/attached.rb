# frozen_string_literal: true

module AskFirst
  module Web
    # How a file that is handed out says what it is called (RFC 6266): plainly for old programs, and in full by the
    # extended form (RFC 8187).
    module Attached
      NEVER = /[^\x20-\x7E]|["\\%]/ # what the plain form cannot hold
      ALWAYS = /[A-Za-z0-9!$&+\-.^_`|~#]/ # attr-char of RFC 8187, 3.2.1

      module_function

      # @param name [String] as somebody called it
      # @return [String] the value of Content-Disposition
      def as(name)
        clean = Core::Exchange::FileName.clean(name)
        plain = clean.gsub(NEVER, "-")
        return "attachment; filename=\"#{plain}\"" if plain == clean

        full = clean.bytes.map { |byte| ALWAYS.match?(byte.chr) ? byte.chr : format("%%%02X", byte) }.join
        "attachment; filename=\"#{plain}\"; filename*=UTF-8''#{full}"
      end
    end
  end
end
