# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Sends what was claimed: the create, and nothing before it but a look at the clock. Touches no database, so
      # that a network that is slow holds no connection.
      module Send
        # What came of it. kind: of Core::Dispatch::Outcome, or :given_back (not begun) or :fault (could not be begun:
        # note says why)
        Ended =
          Struct.new(:claimed, :kind, :address, :note, :retry_after, :sent_at, :over_at, keyword_init: true) do
            def row = claimed.row
          end

        module_function

        # @param claimed [Claim::Claimed]
        # @param sender [Sender]
        # @return [Ended]
        def call(environment, claimed, sender)
          create = ready(environment, claimed)
          unless sender.holds?(claimed.lease_token)
            return Ended.new(claimed: claimed, kind: :given_back, note: "Its sender was held up, and did not begin.")
          end

          sent_at = environment.now
          outcome = create.call(sent_at)
          Ended.new(
            claimed: claimed,
            kind: outcome.kind,
            address: outcome.address,
            note: outcome.note,
            retry_after: outcome.retry_after,
            sent_at: sent_at,
            over_at: environment.now
          )
        rescue StandardError => e
          after_all(environment, claimed, e, sent_at)
        end

        # Everything that can fail on our side happens here, before the create begins.
        def ready(environment, claimed)
          client = environment.networks.client_for(claimed.channel)
          addresses = claimed.release[:rendition_ids].to_a.map { |id| claimed.row[:uploads].fetch(id) }
          send_id = Core::Dispatch::SendId.for(claimed.row[:id])
          ->(at) { client.create(claimed.release[:request], pictures: addresses, send_id: send_id, now: at) }
        end

        # What breaks before the create is a fault of ours; what breaks in it leaves it unclear.
        def after_all(environment, claimed, error, sent_at)
          return Ended.new(claimed: claimed, kind: :fault, note: Fault.sentence(error)) if sent_at.nil?

          Ended.new(
            claimed: claimed,
            kind: :unclear,
            note: Fault.sentence(error),
            sent_at: sent_at,
            over_at: environment.now
          )
        end
        private_class_method :ready, :after_all
      end
    end
  end
end
