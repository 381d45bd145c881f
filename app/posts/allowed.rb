# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What the reader may do on one post now, for the page: per act and per part, each refusal with its rule and the
      # way on. It asks what the acts ask, so that the page says what the server would say.
      class Allowed
        WHOLE = %w[rename assign discard].freeze # acts that touch every channel of a post
        SOME = %w[open close take_back].freeze # acts for which one channel is enough
        Capabilities = Permissions::Capabilities
        private_constant :Capabilities

        # @param others [Array<Member>] to name who can
        # @param post [Store::Posts::PostState::Post]
        # @param shown [Array<Store::Posts::PostState::Adaptation>] those on the reader's channels
        def initialize(member, others, post, shown, now)
          @member = member
          @others = others
          @post = post
          @shown = shown
          @now = now
          @said = {}
        end

        # @return [Hash{String=>Hash}] act => {ok:, why:}
        def acts
          whole = Core::Permissions::Touched.new(channel_ids: @post.channel_ids)
          able = Capabilities.of(@member, others: @others).merge(WHOLE.to_h { |act| [act, one(act, whole)] })
          able.merge(on_the_way) { |_, one, other| one[:ok] ? other : one }
        end

        # Why this channel cannot be taken off the post.
        # @param adaptation [Store::Posts::PostState::Adaptation]
        # @return [String, nil]
        def stays(adaptation)
          one("choose_channels", Core::Permissions::Touched.new(channel_ids: [adaptation.row[:channel_id]]))[:why] ||
            say(Staying.refusal(adaptation))
        end

        # Why nothing of this channel can be changed now, whatever the part: it is being sent.
        # @param adaptation [Store::Posts::PostState::Adaptation]
        # @return [String, nil]
        def column_off(adaptation)
          one("open", Touching.channels([adaptation]))[:why] if adaptation.verdict.sending?
        end

        # @param channel_id [String, nil] nil for the master
        # @return [String, nil] why the part is off; nil when it may be written
        def off(channel_id, part)
          entry = Core::Permissions::Acts.fetch("write:#{part}")
          touched = Touching.part(@post, channel_id, part)
          key = [entry, touched]
          return @said[key] if @said.key?(key)

          @said[key] = one("write:#{part}", touched)[:why]
        end

        private

        def one(act, touched) = Capabilities.one(@member, act, @others, touched)

        # What hangs on how far the post is: for one that may do it at all.
        def on_the_way
          flying.merge(
            "release" => unless_refused(Dispatch::Releasable.refusal_of_all(@shown, @now)),
            "mark_ready" => unless_refused(MarkReady.refusal(@post, @shown)),
            "discard" => unless_refused(DiscardPost.refusal(@post))
          )
        end

        # While all that is not out yet is being sent, nothing is left to open or to take back.
        def flying
          left = @post.adaptations.reject(&:out?)
          return {} if left.empty? || !left.all? { |adaptation| adaptation.verdict.sending? }

          touched = Touching.channels(left)
          SOME.to_h { |act| [act, one(act, touched)] }
        end

        def unless_refused(refusal)
          refusal ? { ok: false, why: say(refusal) } : { ok: true }
        end

        def say(refusal)
          refusal && "#{refusal.message} #{refusal.way_on}"
        end
      end
    end
  end
end
