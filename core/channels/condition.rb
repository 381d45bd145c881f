# frozen_string_literal: true

module AskFirst
  module Core
    module Channels
      # How a channel's connection is, said early: fine, soon (it will lapse, or the person whose consent it rests on
      # has left), rules (its network has rules that cannot be read), lapsed, planned (not connected yet) or offline.
      module Condition
        SOON = 7 * 86_400 # seconds before the end of a consent that it is said; common practice, no source

        Said = Struct.new(:level, :sentence, keyword_init: true) { def loud? = %w[soon rules lapsed].include?(level) }

        module_function

        # @param channel [Hash] :state, :name, :card_refused (what is wrong with the card that its network sent last,
        # nil for nothing)
        # @param connection [Hash, nil] :expires_at, :consent_until, :renews (whether it renews itself), :consent_by
        # @param consent_name [String, nil] whose consent it is
        # @param consent_here [Boolean] whether that person is still a member
        # @return [Said]
        def of(channel, connection, now, consent_name: nil, consent_here: true)
          case channel[:state]
          when "offline"
            Said.new(level: "offline", sentence: "Published by hand.")
          when "planned"
            Said.new(level: "planned", sentence: "Not connected yet: it can be planned and approved for, not released.")
          when "lapsed"
            Said.new(level: "lapsed", sentence: "The connection has lapsed; nothing can go out here. Connect it again.")
          else
            connected(connection, now, consent_name, consent_here, channel[:card_refused])
          end
        end

        def connected(connection, now, consent_name, consent_here, card_refused)
          ends = connection && end_of(connection)
          if ends && ends <= now
            return(
              Said.new(
                level: "lapsed",
                sentence: "The connection has lapsed; nothing can go out here. Connect it again."
              )
            )
          end
          unless consent_here
            return(
              Said.new(
                level: "soon",
                sentence:
                  "It rests on the consent of #{consent_name || "somebody"}, who has left this client. Somebody else " \
                    "must connect it again."
              )
            )
          end
          if ends && ends - now < SOON
            return(
              Said.new(level: "soon", sentence: "The consent ends in #{days(ends - now)}. Connect it again before.")
            )
          end

          if card_refused
            return Said.new(level: "rules", sentence: "#{card_refused} What it took before holds until then.")
          end

          Said.new(
            level: "fine",
            sentence: consent_name ? "Connected on the consent of #{consent_name}." : "Connected."
          )
        end

        # A connection that renews itself ends with its consent; another one with its token.
        def end_of(connection)
          if connection[:renews]
            connection[:consent_until]
          else
            [connection[:expires_at], connection[:consent_until]].compact.min
          end
        end

        def days(seconds)
          days = (seconds / 86_400).ceil
          days == 1 ? "one day" : "#{days} days"
        end
      end
    end
  end
end
