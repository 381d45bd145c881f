# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Gives up the uploads that nothing was added to for a week, and what was left behind or is a copy. Files know the
      # machine's time alone.
      module ForgetUploads
        module_function

        # @param environment [Environment]
        def call(environment)
          machine_now = environment.clock.machine_time(environment.now)
          environment.files.forget_uploads(machine_now)
          environment.files.sweep(machine_now)
        end
      end
    end
  end
end
