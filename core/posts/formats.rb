# frozen_string_literal: true

module AskFirst
  module Core
    module Posts
      # The formats of a post, as a table: what each is made of. Nothing that was typed for another format is lost:
      # what a format does not use is left out of what goes out, and stays with the post.
      #
      # media: kinds of file and how many; text: whether it takes words; link: whether it needs one
      module Formats
        Format = Struct.new(:name, :words, :kinds, :least, :most, :text, :link, keyword_init: true)
        MANY = 1_000

        TABLE =
          [
            Format.new(name: "text", words: "text alone", kinds: [], least: 0, most: 0, text: true, link: false),
            Format.new(
              name: "picture",
              words: "one picture",
              kinds: %w[picture],
              least: 1,
              most: 1,
              text: true,
              link: false
            ),
            Format.new(
              name: "pictures",
              words: "several pictures",
              kinds: %w[picture],
              least: 2,
              most: MANY,
              text: true,
              link: false
            ),
            Format.new(name: "video", words: "a video", kinds: %w[video], least: 1, most: 1, text: true, link: false),
            Format.new(
              name: "link",
              words: "a link with its card",
              kinds: [],
              least: 0,
              most: 0,
              text: true,
              link: true
            ),
            Format.new(
              name: "document",
              words: "a document",
              kinds: %w[document],
              least: 1,
              most: 1,
              text: true,
              link: false
            ),
            Format.new(
              name: "story",
              words: "a story",
              kinds: %w[picture video],
              least: 1,
              most: 1,
              text: false,
              link: false
            )
          ].to_h { |format| [format.name, format.freeze] }.freeze

        module_function

        # @return [Format, nil] nil for a name that is none
        def [](name)
          TABLE[name]
        end

        # The media that a format uses, in their order.
        # @param media [Array] with a kind each
        # @yieldparam one an element
        # @yieldreturn [String] its kind
        def used(format, media)
          return media if format.nil?

          media.select { |one| format.kinds.include?(yield(one)) }.first(format.most)
        end
      end
    end
  end
end
