# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # Every way in which a showing can move from one state to another, as a table. A move names the state and the
      # try that it expects; where a showing stands otherwise, somebody else has moved it, and nothing is done. No
      # state changes but by one of these: Store::Dispatch::Moves makes them, and the database refuses any other.
      #
      # State: planned · by_hand (waits for a person to publish it) · sending (a sender holds its lease) · unclear
      # (sent, and no known end) · out · trouble. Try: counts the claims of a showing and never falls, so that a
      # sender that comes back late cannot take a later try for its own.
      module Moves
        # from: states that it leaves · to: the state that it leads to · by: whose move it is · known: whether the
        # network may have it afterwards (true, false, or nil: as before)
        Move =
          Struct.new(:name, :from, :to, :by, :may_be_out, keyword_init: true) do
            # @param try [Integer] where the showing stands
            # @param expected [Integer] the try that the mover knows of
            def fits?(state, try, expected)
              from.include?(state) && try == expected
            end
          end

        def self.move(name, from, to, by:, may_be_out: nil)
          Move.new(name: name, from: Array(from).freeze, to: to, by: by, may_be_out: may_be_out).freeze
        end
        private_class_method :move

        TABLE =
          [
            move(:release_again, %w[planned by_hand], "planned", by: :person, may_be_out: false),
            # the claim: under all locks, for the live release, at its time; it alone counts the try up
            move(:claim, "planned", "sending", by: :dispatcher, may_be_out: true),
            # sent again with the same id, where the network counts it once: it may be out all the time, so nobody can
            # change it in between
            move(:claim_again, "unclear", "sending", by: :dispatcher, may_be_out: true),
            move(:give_back, "sending", "planned", by: :sender, may_be_out: false), # its create was not begun
            # the network asked to wait, or was not reached
            move(:not_taken, "sending", "planned", by: :sender, may_be_out: false),
            # the same of one that was sent before: that one may have arrived
            move(:stay_unclear, "sending", "unclear", by: :sender),
            move(:refused, "sending", "trouble", by: :sender, may_be_out: false),
            move(:leave_unclear, "sending", "unclear", by: :sender),
            move(:take_over, "sending", "unclear", by: :dispatcher), # the lease is over, or its sender is gone
            move(:go_out, %w[sending unclear], "out", by: :dispatcher, may_be_out: true),
            move(:look_again, "unclear", "unclear", by: :dispatcher),
            move(:send_again, "unclear", "planned", by: :dispatcher, may_be_out: false), # the network does not have it
            move(:ask_a_person, "unclear", "trouble", by: :dispatcher),
            move(:stop, "planned", "trouble", by: :dispatcher, may_be_out: false),
            move(:wait_for_hand, "planned", "by_hand", by: :dispatcher),
            move(:take_up, "by_hand", "by_hand", by: :person),
            move(:let_go, "by_hand", "by_hand", by: :person),
            move(:publish, "by_hand", "out", by: :person, may_be_out: true),
            move(:plan_anew, "by_hand", "planned", by: :person),
            move(:take_back, %w[by_hand trouble], "planned", by: :person),
            move(:differ, "out", "trouble", by: :dispatcher, may_be_out: true),
            move(:saw_it, "trouble", "out", by: :person, may_be_out: true),
            move(:saw_nothing, "trouble", "planned", by: :person, may_be_out: false),
            # of a database that was brought back: it went out after the backup (Unconfirmed)
            move(:found_there, %w[planned by_hand trouble], "out", by: :dispatcher, may_be_out: true),
            move(:was_out, %w[planned by_hand], "out", by: :person, may_be_out: true)
          ].to_h { |one| [one.name, one] }.freeze

        module_function

        # @param name [Symbol]
        # @return [Move]
        # @raise [KeyError] for a move that nobody defined
        def fetch(name)
          TABLE.fetch(name)
        end

        # @return [Array<Array(String, String)>] every change of state that some move makes, for the database's own
        # guard
        def pairs
          TABLE.values.flat_map { |one| one.from.map { |state| [state, one.to] } }.uniq.sort
        end
      end
    end
  end
end
