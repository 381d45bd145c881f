# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What one line asks one person about, and which of it their answer can be taken for, by the order of their own
      # words and what became of each adaptation since.
      class Asked
        # One adaptation of the line: row (of what was asked), adaptation (as it is now; nil when it was taken off).
        One =
          Struct.new(:row, :adaptation, :channel, keyword_init: true) do
            def id = row[:adaptation_id]
            def fingerprint = row[:fingerprint]
            def wall = row[:wall]
            def zone = row[:zone]
            # Nothing is asked here any more: a yes fills no place, and only lifts its giver's own block.
            def ended? = %w[withdrawn outdated].include?(row[:ended_as])
            # One to what stands no more leaves an earlier good yes as it is.
            def counts? = !ended? && current?
            def current? = adaptation&.fingerprint == fingerprint

            # With a value in what is answered: by the parts as they stand, where they stand so; else as the revision
            # has it.
            def author?(person_id)
              (current? ? adaptation.authors : row[:authors].to_a).include?(person_id)
            end
          end

        # @param line [Hash] row of ask_lines with step_id and withdrawn_at
        # @param post [Store::Posts::PostState::Post]
        # @param member [Member]
        def initialize(line, post, member)
          @line = line
          @post = post
          @member = member
        end

        # @return [Array<One>] on the member's own channels
        def all
          @all ||= @post.asked_on(@line[:id]).map { |row| one(row) }.select { |one| one.adaptation.nil? || mine?(one) }
        end

        # A yes is for what the page showed, and it must have shown all that is still asked.
        # @raise [Core::Conflict] outdated
        def for_yes(shown)
          wanted = StillAsked.of(all.map(&:row)).map { |row| row[:adaptation_id] }
          unseen = all.select { |one| wanted.include?(one.id) && shown[one.id] != one.fingerprint }
          raise unseen_yet if unseen.any? || all.empty?

          all.select { |one| shown[one.id] == one.fingerprint }
        end

        # A change or no counts whatever it echoes, for every adaptation that the page showed, also those asked anew
        # since.
        # @raise [Core::NotFound] a channel that is none of the line
        def for_change(shown, only)
          named = only || shown.keys
          chosen = all.select { |one| named.include?(one.id) }
          raise Core::NotFound, "This channel of the post" if only && (chosen.size < only.uniq.size || chosen.empty?)

          chosen.empty? ? all : chosen
        end

        # Why an answer cannot be taken for one adaptation.
        # @return [Core::Error, nil]
        def refusal(one, verdict, seen)
          if one.adaptation.nil?
            return over("taken_off", "#{one.channel} was taken off this post meanwhile, so nothing goes out there.")
          end
          unless verdict == "yes" ? !one.adaptation.sent? : one.adaptation.stoppable?
            return over("too_late", "Too late for #{one.channel}: it is being sent or is out.")
          end

          verdict == "yes" ? refusal_of_yes(one, seen) : nil
        end

        private

        def one(row)
          adaptation = @post.adaptation(row[:adaptation_id])
          One.new(
            row: row,
            adaptation: adaptation,
            channel: adaptation ? adaptation.channel[:name] : @post.channel_name(row[:adaptation_id])
          )
        end

        def mine?(one)
          @member.limited_to.nil? || @member.limited_to.include?(one.adaptation.row[:channel_id])
        end

        def refusal_of_yes(one, seen)
          latest = latest_own(one)
          return answered_since(latest) if latest && latest.order > seen
          return ended(one) if one.ended?
          return another_time(one) unless one.adaptation.facts.holds_for?(time(one))

          four_eyes(one)
        end

        # Two answers of one person at one step are ordered by what the page had seen, on whichever line they were
        # given.
        def latest_own(one)
          one
            .adaptation
            .facts
            .answers
            .select { |answer| answer.person_id == @member.person_id && answer.step_id == @line[:step_id] }
            .max_by(&:order)
        end

        # @param latest [Core::Signoff::Answer]
        def answered_since(latest)
          said =
            if latest.in_name?
              "#{@post.names.fetch(latest.given_by)} has cleared this in your name since: #{latest.words}"
            else
              "You have answered this since, from another page or link."
            end
          Core::Conflict.new(
            "answered_since",
            said,
            way_on: "Look at your last answer; answer again if it changed.",
            facts: {
              "seen" => latest.order
            }
          )
        end

        # On an ended line a yes only lifts its giver's own block, at that step, on what stands now.
        def ended(one)
          if one.current? &&
               one.adaptation.verdict.blocks.any? { |block|
                 block.person_id == @member.person_id && block.step_id == @line[:step_id]
               }
            return
          end
          if @line[:withdrawn_at] || one.row[:ended_as] == "withdrawn"
            return over("withdrawn", "The ask was withdrawn while you were reading; nothing is needed from you now.")
          end

          over("outdated", "A newer version was asked for meanwhile; your yes was not taken for it.")
        end

        def another_time(one)
          who = @member.side == "client" ? "The agency has to ask you anew" : "It has to be asked again"
          Core::Conflict.new(
            "moved",
            "#{one.channel} is planned for another day than the one you were asked about, so your yes was not taken.",
            way_on: "#{who} for the new day."
          )
        end

        def four_eyes(one)
          step = @post.steps.find { |step| step.id == @line[:step_id] }
          return unless step&.four_eyes && one.author?(@member.person_id)

          Core::Refused.new(
            "four_eyes",
            "You wrote part of this, so somebody else must clear it (four eyes).",
            way_on: "Ask a colleague named for “#{step.name}”."
          )
        end

        def time(one)
          one.wall && Core::Plan::WallTime.new(one.wall, one.zone)
        end

        def unseen_yet
          Core::Conflict.new(
            "outdated",
            "This was changed after you opened it, so your yes was not taken for what you have not seen.",
            way_on: "Look at it as it is now, then answer."
          )
        end

        def over(code, sentence)
          Core::Over.new(
            code,
            sentence,
            way_on:
              "If you have something to say, say it to #{@member.side == "client" ? "the agency" : "the lead"}; your " \
                "words are kept here."
          )
        end
      end
    end
  end
end
