# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # A person decides about a showing in trouble, after looking at the network.
      class Settle < ShowingAct
        # @param saw [String] "there" (with its address), "not_there" (send it again) or "fine" (leave it as it is there)
        def call(showing_id:, saw:, address: nil)
          require_ability!("settle")
          found = fetch(:showings, showing_id, "This showing")
          raise Core::Conflict.new("no_trouble", "This is not in trouble any more.", way_on: "Look again.") unless found[:state] == "trouble"

          write { locked([found[:post_id]]) && decide(found, saw, address) }
        end

        private

        def decide(showing, saw, address)
          case saw
          when "there" then there(showing, address)
          when "fine" then fine(showing)
          when "not_there" then not_there(showing)
          else raise Core::Invalid.new("bad_choice", "Say what you saw: there, not there, or fine as it is.", field: "saw")
          end
          record("settled", post_id: showing[:post_id], adaptation_id: showing[:adaptation_id], facts: { saw: saw, address: address })
        end

        def there(showing, address)
          link = Core::Posts::WebAddress.clean(address) or raise Core::Invalid.new("bad_link", "Give the address where it is.", field: "address")
          out(showing, link, showing[:sent_at] || now, "seen_by_person")
        end

        def fine(showing)
          unless showing[:address]
            raise Core::Conflict.new("not_out", "It has no address, so it is not known to be out.",
              way_on: "Give its address.")
          end

          set(showing, state: "out", trouble: "")
          attempt(showing, "left_as_it_is", member.name)
          restage([showing[:post_id]])
        end

        def not_there(showing)
          if showing[:address]
            raise Core::Conflict.new("is_out", "It is out, at #{showing[:address]}; sending again would double it.",
              way_on: "Take it down there first.")
          end

          release = live_release(showing) or raise Core::Conflict.new("not_released", "Its release has ended.",
            way_on: "Release it again from the post.")
          if Core::Dispatch::Patience.too_late?(release[:at], now)
            rows(:releases).where(id: release[:id]).update(ended_at: now, ended_why: "its time passed")
          else
            kit.queue.advance(member.workspace_id, showing[:id], at: now)
          end
          set(showing, state: "planned", trouble: "", tries: 0)
          attempt(showing, "again", "#{member.name} looked: it is not there.")
          restage([showing[:post_id]])
        end
      end
    end
  end
end
