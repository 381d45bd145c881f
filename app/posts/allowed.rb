# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What the reader may do on one post now, for the page: per act and per part, each refusal with its rule and the way on. It
      # asks what the acts ask, so that the page says what the server would say.
      class Allowed
        WHOLE = %w[rename assign].freeze # acts that touch every channel of a post
        Capabilities = Permissions::Capabilities
        private_constant :Capabilities

        # @param others [Array<Member>] to name who can
        # @param post [Store::Posts::Standing::Post]
        def initialize(member, others, post)
          @member = member
          @others = others
          @post = post
          @said = {}
        end

        # @return [Hash{String=>Hash}] act => {ok:, why:}
        def acts
          whole = Core::Permissions::Touched.new(channel_ids: @post.channel_ids)
          Capabilities.of(@member, others: @others).merge(WHOLE.to_h { |act| [act, Capabilities.one(@member, act, @others, whole)] })
        end

        # @param channel_id [String, nil] nil for the master
        # @return [String, nil] why the part is off; nil when it may be written
        def off(channel_id, part)
          entry = Core::Permissions::Acts.fetch("write:#{part}")
          touched = Touching.part(@post, channel_id, part)
          key = [entry, touched]
          return @said[key] if @said.key?(key)

          @said[key] = Capabilities.one(@member, "write:#{part}", @others, touched)[:why]
        end
      end
    end
  end
end
