# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # When a step is wanted at all: for posts with one of some labels, on one of some channels, in one of some
      # formats, with a budget above an amount. What is named must all hold; of several of one kind, any. It is read
      # anew each time, for each adaptation by itself. Whether the text names a time or a price only proposes a label:
      # what a reading of words decides, a person says.
      #
      # labels, channels, formats: ids and names, empty for any · budget: {"minor" =>, "currency" =>} that is exceeded,
      # nil for any · proposes: "times_or_prices" where such a text proposes the first label, else nil
      class Condition
        # What of an adaptation is looked at. labels: ids, with those that they stand below · budget: as the part is
        Facts = Struct.new(:labels, :channel, :format, :budget, keyword_init: true)
        KINDS = %w[labels channels formats budget].freeze
        PROPOSALS = %w[times_or_prices].freeze

        attr_reader :labels, :channels, :formats, :budget, :proposes

        # @param value [Hash, nil] as it is kept
        # @return [Condition, nil] nil: the step is wanted always
        def self.stored(value)
          value && new(value)
        end

        # @param value [Hash] with string keys
        def initialize(value)
          @labels = value["labels"] || []
          @channels = value["channels"] || []
          @formats = value["formats"] || []
          @budget = value["budget"]
          @proposes = value["proposes"]
          freeze
        end

        # @param facts [Facts]
        def met?(facts)
          (labels.empty? || labels.intersect?(facts.labels)) && (channels.empty? || channels.include?(facts.channel)) &&
            (formats.empty? || formats.include?(facts.format)) && (budget.nil? || above?(facts.budget))
        end

        # What is not met, in words for the page that plays a post through a route.
        # @param facts [Facts]
        # @param names [Hash] id => name, of labels and channels
        # @return [String, nil]
        def why_not(facts, names)
          return "it is not labelled #{either(labels, names)}" if labels.any? && !labels.intersect?(facts.labels)
          return "it is not for #{either(channels, names)}" if channels.any? && !channels.include?(facts.channel)
          return "it is not #{either(formats, FORMATS)}" if formats.any? && !formats.include?(facts.format)

          if budget && !above?(facts.budget)
            "its budget is not above #{Campaigns::Currency.words(budget["minor"], budget["currency"])}"
          end
        end

        # A label that a text asks for, as long as the adaptation has none of them.
        # @param facts [Facts]
        # @param text [String]
        # @return [String, nil] its id
        def proposal(facts, text)
          return if proposes.nil? || labels.intersect?(facts.labels)

          labels.first if Checks::Timeless.names(text).intersect?(["a time", "a price"])
        end

        # @return [String] "labelled Times, for Ticker"
        def words(names)
          said = []
          said << "labelled #{either(labels, names)}" if labels.any?
          said << "for #{either(channels, names)}" if channels.any?
          said << either(formats, FORMATS) if formats.any?
          said << "with a budget above #{Campaigns::Currency.words(budget["minor"], budget["currency"])}" if budget
          said.join(", ")
        end

        # @return [Hash] as it is kept
        def to_h
          {
            "labels" => labels,
            "channels" => channels,
            "formats" => formats,
            "budget" => budget,
            "proposes" => proposes
          }.reject { |_, value| value.nil? || value == [] }
        end

        # What of it can be said of another client, which has other labels and channels. The step is wanted more often
        # then, never less.
        # @return [Condition, nil]
        def elsewhere
          kept = to_h.slice("formats", "budget")
          kept.empty? ? nil : Condition.new(kept)
        end

        def ==(other) = other.is_a?(Condition) && other.to_h == to_h

        private

        FORMATS = Posts::Formats::TABLE.transform_values(&:words).freeze
        private_constant :FORMATS

        # Money of another currency is not compared: it is asked for, rather than let through.
        def above?(spent)
          return false if spent.nil?

          spent["currency"] != budget["currency"] || spent["minor"] > budget["minor"]
        end

        def either(ids, names)
          words = ids.map { |id| names.fetch(id, "something that is gone") }
          words.size < 2 ? words.join : "#{words[0...-1].join(", ")} or #{words.last}"
        end
      end
    end
  end
end
