# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What the checks would say if a part stood as it is being typed. Writes nothing. What goes out around the post is not looked
      # at here: that comes with the next save.
      class CheckDraft < Act
        # @param channel_id [String, nil] nil for the master
        # @return [Hash] JSON-ready {master: {count:}, adaptations: [{id:, proof:}]}
        def call(post_id:, channel_id:, part:, value:)
          require_ability!("see_post")
          raise Core::NotFound, "This post" unless Core::Uuid::FORMAT.match?(post_id.to_s)

          require_visible!(post_id)
          clean = Core::Posts::PartValues.clean(part, value)
          reading { view(post_id, Store::Posts::Standing::Draft.new(channel_id: channel_id, part: part, value: clean)) }
        end

        private

        def view(post_id, draft)
          post = Store::Posts::Standing.load(scope, [post_id], now, draft: draft).fetch(post_id) { raise Core::NotFound, "This post" }
          shown = post.adaptations.select { |one| member.limited_to.nil? || member.limited_to.include?(one.row[:channel_id]) }
          seen = SeenAround.new(scope, post, shown, workspace, others: false)
          touched = shown.select { |one| draft.channel_id ? one.row[:channel_id] == draft.channel_id : !one.own.key?(draft.part) }
          { master: { count: post.master["text"].grapheme_clusters.size }, adaptations: touched.map { |one| { id: one.id, proof: AdaptationView.proof(one, seen.of(one)) } } }
        end
      end
    end
  end
end
