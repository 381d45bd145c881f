# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # The first picture of each of some posts, small, for paper.
      class Pictures
        SIDE = 320 # pixels of the longer side
        MOST = 150 # in one paper

        # @param scope [Store::Scope] of the agency side
        # @param posts [Array<String>] ids
        # @return [Hash{String=>String}] post => bytes of a JPEG; what has none, or cannot be read, is left out
        def self.call(environment, scope, posts)
          files = scope.transaction { Store::Plan::Pictures.of(scope, posts.first(MOST)) }
          files.each_with_object({}) do |(post, row), made|
            made[post] = small(environment, row)
          rescue Core::Away
            break made # not each of them is waited for
          rescue Core::Error, SystemCallError
            next
          end
        end

        def self.small(environment, row)
          large = Media::Previews.id(row, Media::Previews::LARGE)
          environment
            .files
            .open(environment.files.there?(large) ? large : row[:file]) { |io| environment.media.small(io, SIDE).read }
        end
        private_class_method :small
      end
    end
  end
end
