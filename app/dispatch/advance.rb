# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Moves one showing on, from wherever it stands. May be called at any time and any number of times.
      class Advance < ShowingAct
        # more than this between the database's clock and ours, and nothing is sent
        CLOCK_GAP = 2.0

        def call(showing_id:)
          found = reading { showing(showing_id).tap { |row| @seen = look(row) if row && row[:state] == "planned" } } or return
          case found[:state]
          when "planned" then due?(found) && go(found)
          when "sending" then take_over(found)
          when "unclear" then LookUp.call(kit, member, showing: found)
          end
        end

        private

        def go(showing)
          return DueByHand.call(kit, member, showing: showing) if by_hand?(showing)

          Send.call(kit, member, showing: showing, seen: @seen)
        end

        # A channel without a network, or a format that its network's protocol does not take.
        def by_hand?(showing)
          channel = channel(showing)
          channel[:state] == "offline" || channel[:card].by_hand.include?(@seen[:release][:request]["format"])
        end

        # By the database's clock, and only while the two clocks agree.
        def due?(showing)
          release = @seen[:release] or return false
          gap = kit.clock.gap(kit.db)
          return wait(showing, now + 5) if gap.abs > CLOCK_GAP
          return true if release[:at] <= kit.now + gap

          release[:at] - now < 60 ? wait(showing, release[:at]) : false
        end

        def wait(showing, at)
          kit.queue.advance(member.workspace_id, showing[:id], at: at)
          false
        end

        # A sender holds a lease. When it is over, the sender is gone, and whether its send arrived is unclear.
        def take_over(showing)
          if showing[:lease_until] > now
            kit.queue.advance(member.workspace_id, showing[:id], at: showing[:lease_until] + 0.1)
          else
            unclear(showing, channel(showing)[:card], "The sender was gone before the network's reply was kept.")
          end
        end
      end
    end
  end
end
