# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # A person says what is true of showings in a database that was brought back: that they may go, that they were
      # taken back or are to be, or that one is out.
      class Confirm < ShowingAct
        MOST = 100

        opens :showings, "settle", lock: true

        # @param showing_ids [Array<String>] of one client, MOST at most
        # @param answer [String] of Core::Dispatch::Unconfirmed::ANSWERS
        # @param address [String, nil] where it is; for "out", of one alone
        # @return [Hash] done: [showing id], left: [{id:, code:, sentence:, way_on:}]
        def call(showing_ids:, answer:, address: nil)
          check(showing_ids, answer, address)
          write do
            enter
            @releases = live(showing_ids)
            refused, able = @opened.rows.partition { |one| refusal(one, answer) }
            raise refusal(refused.first, answer) if showing_ids.one? && refused.any?

            able.each { |one| decide(one, answer) }
            refresh_stage(able.map { |one| one[:post_id] }.uniq)
            announce("dispatch", ids: able.map { |one| one[:post_id] }.uniq)
            { done: able.map { |one| one[:id] }, left: refused.map { |one| left(one, refusal(one, answer)) } }
          end
        end

        private

        def check(ids, answer, address)
          unless Core::Dispatch::Unconfirmed::ANSWERS.include?(answer)
            raise Core::Invalid.new("bad_choice", "Say whether it may go, is taken back, or is out.", field: "answer")
          end
          if ids.size > MOST
            raise Core::TooMany.new(
                    "At most #{MOST} are confirmed at once.",
                    field: "showing_ids",
                    way_on: "Confirm them in parts."
                  )
          end
          return unless answer == "out"
          unless ids.one?
            raise Core::Invalid.new(
                    "one_address",
                    "Each has an address of its own.",
                    field: "showing_ids",
                    way_on: "Say of each where it is."
                  )
          end

          @address = Core::Posts::WebAddress.clean(address) or
            raise Core::Invalid.new("bad_link", "Give the address where it is.", field: "address")
        end

        def live(ids)
          found = rows(:releases).where(showing_id: ids, ended_at: nil).select(:id, :showing_id, :at)
          found.to_hash(:showing_id)
        end

        # @return [Core::Error, nil]
        def refusal(showing, answer)
          unless waits?(showing)
            return Core::Conflict.new("confirmed", "This is confirmed already.", way_on: "Look again.")
          end

          release = @releases[showing[:id]]
          if release.nil?
            return Core::Conflict.new("not_released", "Its release has ended.", way_on: "Look at the post.")
          end
          unless answer == "send" && showing[:state] == "planned" &&
                   Core::Dispatch::Patience.too_late?(release[:at], now)
            return
          end

          Core::Conflict.new(
            "time_past",
            "Its time was more than #{Core::Dispatch::Patience::TOLERANCE / 60} minutes ago; it is not sent so late.",
            way_on: "Take it back, plan another time and release it again."
          )
        end

        def waits?(showing)
          showing[:unconfirmed_at] && Store::Dispatch::Unconfirmed::WAITING.include?(showing[:state])
        end

        def decide(showing, answer)
          release = @releases.fetch(showing[:id])
          name = channel(showing)[:name]
          record(
            "confirmed",
            post_id: showing[:post_id],
            adaptation_id: showing[:adaptation_id],
            facts: { channel: name, answer: answer, address: @address }.compact
          )
          attempt(showing, "confirmed_#{answer}", member.name)
          return out(showing, release) if answer == "out"

          if answer == "take_back"
            TakingBack.call(environment, member, showing: showing, release_id: release[:id], channel: name)
          end
          due = answer == "send" && showing[:state] == "planned" ? { due_at: [release[:at], now].max } : {}
          rows(:showings).where(id: showing[:id]).update(Store::Dispatch::Moves::CONFIRMED.merge(due))
        end

        def out(showing, release)
          move(:was_out, showing, "seen_by_person", @address, address: @address, sent_at: [release[:at], now].min)
          went_out([[showing, @address, channel(showing)]])
        end

        def left(showing, why)
          { id: showing[:id], code: why.code, sentence: why.message, way_on: why.way_on }
        end
      end
    end
  end
end
