# frozen_string_literal: true

module AskFirst
  module Web
    # The web process makes watermarks too (App::Dispatch::Watermarking): what people do while no dispatcher runs is
    # then known to be missing from one that is brought back.
    module Watermarks
      EVERY = 2 # seconds

      module_function

      # @param environment [App::Environment]
      # @return [Thread]
      def keep(environment)
        watermarking =
          App::Dispatch::Watermarking.new(environment, process: Core::Uuid.v7(environment.now), notices: false)
        Thread.new do
          loop do
            watermark(watermarking)
            sleep EVERY
          end
        end
      end

      # The database may be away; the next watermark is soon.
      def watermark(watermarking)
        watermarking.call
      rescue StandardError => e
        SemanticLogger["Watermarks"].warn("no watermark was made", e)
      end
      private_class_method :watermark
    end
  end
end
