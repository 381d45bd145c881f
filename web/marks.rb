# frozen_string_literal: true

module AskFirst
  module Web
    # The web process marks its database too (App::Dispatch::Marking): what people do while no dispatcher runs is then
    # known to be missing from one that is brought back.
    module Marks
      EVERY = 2 # seconds

      module_function

      # @param kit [App::Kit]
      # @return [Thread]
      def keep(kit)
        marking = App::Dispatch::Marking.new(kit, process: Core::Uuid.v7(kit.now), notices: false)
        Thread.new do
          loop do
            mark(marking)
            sleep EVERY
          end
        end
      end

      # The database may be away; the next mark is soon.
      def mark(marking)
        marking.call
      rescue StandardError => e
        SemanticLogger["Marks"].warn("no mark was made", e)
      end
      private_class_method :mark
    end
  end
end
