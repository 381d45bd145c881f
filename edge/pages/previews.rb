# frozen_string_literal: true

module AskFirst
  module Edge
    module Pages
      # Reads in the sandbox what a page says of itself.
      class Previews
        # @param sandbox [Sandbox]
        def initialize(sandbox)
          @sandbox = sandbox
        end

        # @param page [Reader::Page]
        # @return [Hash] as of Preview.of
        # @raise [Core::Checks::Unreadable]
        def of(page)
          @sandbox.call(:page, { address: page.address }, bytes: [page.body])
        rescue Sandbox::Exceeded, Sandbox::Failed
          raise Core::Checks::Unreadable.new("broken", "it cannot be read")
        end
      end
    end
  end
end
