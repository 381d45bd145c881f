# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Who of a client's people could answer for one adaptation now: members whose role answers at that side, on its
      # channel, and who are no author of it where four eyes are wanted. An ask that too few of them are left for waits
      # for nobody, and somebody has to be told.
      class StillAble
        ABILITY = { "internal" => "answer_internal", "client" => "answer_client" }.freeze

        # @param people [Array<Hash>] whoever is or was a member: :id, :abilities, :limited, :channels, :ended_at and
        #   :access_until
        # @param authors [Array<String>] ids
        # @param now [Time]
        def initialize(people, channel_id, authors, now)
          @people = people
          @channel_id = channel_id
          @authors = authors
          @now = now
        end

        # @param verdict [Verdict]
        # @return [Boolean] whether an open ask has fewer people left than places
        def nobody?(verdict)
          asked(verdict).any? { |standing| standing.waits_for_nobody?(able(standing.step)) }
        end

        # @param verdict [Verdict]
        # @return [Time, nil] when the access of somebody who is asked ends by itself
        def until(verdict)
          waiting = asked(verdict).flat_map(&:waiting_for)
          return if waiting.empty?

          here.select { |one| waiting.include?(one[:id]) }.filter_map { |one| one[:access_until] }.min
        end

        # @param step [Step]
        # @return [Array<String>] ids
        def able(step)
          ability = ABILITY.fetch(step.side)
          ids = here.select { |one| one[:abilities].include?(ability) && reaches?(one) }.map { |one| one[:id] }
          step.four_eyes ? ids - @authors : ids
        end

        private

        def asked(verdict) = verdict.steps.select { |standing| standing.step.required && standing.open_ask }

        def here
          @here ||=
            @people.select { |one| one[:ended_at].nil? && (one[:access_until].nil? || one[:access_until] > @now) }
        end

        def reaches?(one) = !one[:limited] || one[:channels].include?(@channel_id)
      end
    end
  end
end
