# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Gives up the uploads that nothing was added to for a week. Files know the machine's time alone.
      module ForgetUploads
        module_function

        # @param kit [Kit]
        def call(kit)
          kit.files.forget_uploads(kit.clock.machine_time(kit.now))
        end
      end
    end
  end
end
