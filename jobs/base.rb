# frozen_string_literal: true

require "que"

module AskFirst
  module Jobs
    # A job finds the process's environment, does one act and is destroyed. What fails is tried again by Que, with
    # growing waits.
    class Base < Que::Job
      class << self
        attr_accessor :environment
      end

      private

      def environment
        Base.environment
      end

      def process(workspace_id)
        App::Member.process(workspace_id, "worker")
      end
    end
  end
end
