# frozen_string_literal: true

module AskFirst
  module Jobs
    # Looks at the ends of a post's links.
    class LookAtLinks < Base
      self.priority = 80

      def run(workspace_id, post_id)
        App::Checks::LookAtLinks.call(kit, process(workspace_id), post_id: post_id)
      end
    end
  end
end
