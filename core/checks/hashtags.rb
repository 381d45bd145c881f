# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # Hashtags in a text: extended hashtag identifiers of Unicode UAX #31 (R8): a start, then identifier characters,
      # emoji, and any of - + _ (from memory). One inside a word or a link is none (common practice, no source).
      module Hashtags
        START = /[#﹟＃]/
        CONTINUE = /[\p{XID_Continue}\p{Extended_Pictographic}\p{Emoji_Component}\-+_&&[^#﹟＃*]]/
        TAG = /(?<![\p{XID_Continue}&])#{START}(#{CONTINUE}+)/

        module_function

        # @return [Array<String>] without their starts, in the order in which they come
        def find(text)
          text = without_links(text)
          text.scan(TAG).map { |found| found.first.sub(/[-+]+\z/, "") }.reject(&:empty?)
        end

        # @return [Array<String>] those that come again, whatever their case, each once
        def doubled(text)
          find(text)
            .group_by { |tag| tag.unicode_normalize(:nfkc).downcase(:fold) }
            .values
            .select { |same| same.size > 1 }
            .map(&:first)
        end

        def without_links(text)
          Links
            .find(text)
            .reverse
            .reduce(text.dup) { |rest, (from, length)| rest.tap { rest[from, length] = " " * length } }
        end
      end
    end
  end
end
