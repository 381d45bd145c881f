# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # A person decides about a showing in trouble, after looking at the network.
      class Settle < ShowingAct
        stepwise
        opens :showing, "settle", lock: true

        # @param saw [String] "there" (with its address), "not_there" (send it again) or "fine" (leave it as it is
        # there)
        def call(showing_id:, saw:, address: nil)
          write do
            enter
            unless row[:state] == "trouble"
              raise Core::Conflict.new("no_trouble", "This is not in trouble any more.", way_on: "Look again.")
            end

            decide(saw, address)
            record(
              "settled",
              post_id: row[:post_id],
              adaptation_id: row[:adaptation_id],
              facts: {
                saw: saw,
                address: address
              }
            )
          end
        end

        private

        def decide(saw, address)
          case saw
          when "there"
            there(address)
          when "fine"
            fine
          when "not_there"
            not_there
          else
            raise Core::Invalid.new("bad_choice", "Say what you saw: there, not there, or fine as it is.", field: "saw")
          end
        end

        def there(address)
          link = Core::Posts::WebAddress.clean(address) or
            raise Core::Invalid.new("bad_link", "Give the address where it is.", field: "address")
          move(:saw_it, row, "seen_by_person", link, address: link, sent_at: row[:sent_at] || now)
          refresh_stage(went_out([[row, link, channel(row)]]))
        end

        def fine
          unless row[:address]
            raise Core::Conflict.new(
                    "not_out",
                    "It has no address, so it is not known to be out.",
                    way_on: "Give its address."
                  )
          end

          move(:saw_it, row, "left_as_it_is", member.name)
          refresh_stage([row[:post_id]])
        end

        # Sent again where its release still stands and it is not too late for it; else it is cleared again, to be
        # released anew.
        def not_there
          raise out_already if row[:address]

          release = live_release(row)
          if release && Core::Dispatch::Patience.too_late?(release[:at], now)
            rows(:releases).where(id: release[:id]).update(ended_at: now, ended_why: "its time passed")
            release = nil
          end
          move(
            :saw_nothing,
            row,
            "again",
            "#{member.name} looked: it is not there.",
            tries: 0,
            due_at: release && [release[:at], now].max
          )
          # whoever looked has said what is true
          rows(:showings).where(id: row[:id]).update(Store::Dispatch::Moves::CONFIRMED)
          refresh_stage([row[:post_id]])
        end

        def out_already
          Core::Conflict.new(
            "is_out",
            "It is out, at #{row[:address]}; sending again would double it.",
            way_on: "Take it down there first."
          )
        end
      end
    end
  end
end
