# frozen_string_literal: true

module AskFirst
  module Core
    module Ideas
      # The words that people look for, with what is known of each: how often a month, and how hard others try for it.
      # What is known is written down by hand, out of whatever source the house trusts.
      module Keywords
        MOST = 30
        WORDS = 80
        VOLUME = (0..1_000_000_000)
        COMPETITION = %w[low medium high].freeze
        KEYS = %w[words volume competition].freeze

        module_function

        # @param given [Array<Hash>] {"words" =>, "volume" => Integer or nil, "competition" => one of them or nil}
        # @return [Array<Hash>] each of the words once; of two the later
        # @raise [Invalid] bad_keywords
        def clean(given)
          refuse("must be a list of #{MOST} at most") unless given.is_a?(Array) && given.size <= MOST
          given.map { |one| keyword(one) }.to_h { |one| [one["words"].downcase, one] }.values
        end

        # @return [String] such as "fog ferries (900 a month, low)"
        def in_words(keyword)
          volume, competition = keyword.values_at("volume", "competition")
          known = [volume && "#{volume} a month", competition].compact
          known.empty? ? keyword["words"] : "#{keyword["words"]} (#{known.join(", ")})"
        end

        def keyword(one)
          refuse("have words, a volume and a competition") unless one.is_a?(Hash) && (one.keys - KEYS).empty?
          words = Posts::Text.line(one["words"].to_s, field: "keywords", limit: WORDS)
          refuse("need words") if words.empty?
          volume, competition = one.values_at("volume", "competition")
          refuse("have a whole number of searches a month") unless volume.nil? || number?(volume)
          refuse("have a competition of #{COMPETITION.join(", ")}") unless [nil, *COMPETITION].include?(competition)
          { "words" => words, "volume" => volume, "competition" => competition }
        end

        def number?(volume) = volume.is_a?(Integer) && VOLUME.cover?(volume)

        def refuse(why)
          raise Invalid.new("bad_keywords", "Keywords #{why}.", field: "keywords", way_on: "Look at them again.")
        end
        private_class_method :keyword, :number?, :refuse
      end
    end
  end
end
