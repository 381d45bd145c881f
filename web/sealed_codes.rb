# frozen_string_literal: true

module AskFirst
  module Web
    # Recovery codes lie encrypted, so that who reads the database holds no second factor. Those from before are
    # sealed when they are first looked at. Included into Rodauth's class.
    class SealedCodes < Module
      MARK = "sealed:"

      # @param secrets [Edge::Secrets]
      def initialize(secrets)
        super()
        seal = ->(code) { "#{MARK}#{[secrets.seal(code)].pack("m0")}" }
        open = ->(kept) { secrets.open(kept.delete_prefix(MARK).unpack1("m0")) }
        adding(seal)
        reading(seal, open)
      end

      private

      def adding(seal)
        define_method(:new_recovery_code) { seal.call(Core::People::RecoveryCode.make) }
      end

      def reading(seal, open)
        define_method(:sealed_codes) do
          recovery_codes_ds
            .select_map(recovery_codes_column)
            .to_h do |kept|
              next open.call(kept), kept if kept.start_with?(MARK)

              sealed = seal.call(kept)
              recovery_codes_ds.where(recovery_codes_column => kept).update(recovery_codes_column => sealed)
              [kept, sealed]
            end
        end
        define_method(:_recovery_codes) { sealed_codes.keys }
        define_method(:recovery_code_match?) do |code|
          typed = Core::People::RecoveryCode.clean(code.to_s)
          kept = sealed_codes.find { |plain, _| timing_safe_eql?(typed, plain) }&.last
          !kept.nil? && recovery_codes_ds.where(recovery_codes_column => kept).delete == 1
        end
      end
    end
  end
end
