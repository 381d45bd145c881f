# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Who is asked at a step, and which places that makes. `all` makes a place for each named person, `any` and `n`
      # make open ones. A stand-in takes the place of one named person and no second one. Whoever asks does not answer
      # as well, and whoever is away without a stand-in is left out, as long as enough others can.
      class Places
        # Who can fill a place. authors: ids of those with a value in what is asked about · away: person id => id of
        # whoever stands in, nil for nobody · able: ids of those who may answer there at all, nil for everybody
        Around =
          Struct.new(:authors, :away, :able, keyword_init: true) do
            def initialize(authors: [], away: {}, able: nil) = super
          end

        # @param step [Step]
        # @param asker [String] person id
        # @param names [Hash{String=>String}] for the sentence of a refusal
        # @return [Places]
        # @raise [Invalid] too_few_people
        def self.of(step, asker:, around: Around.new, names: {})
          new(step, asker, around, names).tap(&:require_enough!)
        end

        attr_reader :step

        def initialize(step, asker, around, names)
          @step = step
          @asker = asker
          @around = around
          @names = names
        end

        # @return [Array<String>] ids of those who are asked
        def people
          @people ||= step.quorum == "all" ? fit(fillers.uniq) : without_asker(without_away(fit(fillers.uniq)))
        end

        # @return [Array<String, nil>] a person's own place, or nil for one open to any of those asked
        def to_a
          step.quorum == "all" ? people : [nil] * needed
        end

        def require_enough!
          return if people.size >= needed && needed.positive?

          raise Invalid.new("too_few_people", sentence, field: "people", way_on: "Name somebody else for this step.")
        end

        private

        def needed
          step.quorum == "all" ? step.people.size : step.n || 1
        end

        # Each named person, or whoever stands in for them.
        def fillers
          @fillers ||= step.people.map { |id| stand_in(id) || id }
        end

        def stand_in(id)
          one = @around.away[id]
          one if one && able?(one)
        end

        def able?(id)
          @around.able.nil? || @around.able.include?(id)
        end

        def author?(id)
          step.four_eyes && @around.authors.include?(id)
        end

        def fit(ids)
          ids.select { |id| able?(id) && !author?(id) }
        end

        def without_away(ids)
          enough(ids.reject { |id| @around.away.key?(id) }, ids)
        end

        def without_asker(ids)
          enough(ids - [@asker], ids)
        end

        def enough(fewer, all)
          fewer.size >= needed ? fewer : all
        end

        def sentence
          return "Nobody is named for “#{step.name}”." if step.people.empty?

          why = [wrote, cannot, stands_in_twice].compact
          why.empty? ? "“#{step.name}” needs #{needed} people, and #{people.size} can be asked." : why.join(" ")
        end

        def wrote
          barred = fillers.uniq.select { |id| able?(id) && author?(id) }
          "#{list(barred)} wrote part of this and cannot clear it (four eyes)." if barred.any?
        end

        def cannot
          barred = fillers.uniq.reject { |id| able?(id) }
          "#{list(barred)} cannot answer here any more, or not on these channels." if barred.any?
        end

        # Two places need two people.
        def stands_in_twice
          return unless step.quorum == "all" || needed > 1

          one = fillers.find { |id| fillers.count(id) > 1 } or return
          away = step.people.select { |id| id != one && stand_in(id) == one }
          "#{list(away)} #{away.size == 1 ? "is" : "are"} away, and #{list([one])} cannot take a second place beside " \
            "#{step.people.include?(one) ? "their own" : "the first"}."
        end

        def list(ids)
          words = ids.map { |id| @names.fetch(id, "Somebody") }
          words.size < 2 ? words.join : "#{words[0...-1].join(", ")} and #{words.last}"
        end
      end
    end
  end
end
