# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What the checks would say if a part stood as it is being typed. Writes nothing. What goes out around the post
      # is not looked at here: that comes with the next save.
      class CheckDraft < Act
        reads :post, "see_post", lock: false, stand: true

        # @param channel_id [String, nil] nil for the master
        # @return [Hash] JSON-ready {master: {count:}, adaptations: [{id:, proof:}]}
        def call(post_id:, channel_id:, part:, value:)
          clean = Core::Posts::PartValues.clean(part, value, now: now)
          view(Store::Posts::PostState::Draft.new(channel_id: channel_id, part: part, value: clean))
        end

        private

        def view(draft)
          drafted = post.changed(parts: ->(rows) { draft.lay_over(rows, post.id) })
          shown = mine(drafted.adaptations)
          seen = SeenAround.new(scope, drafted, shown, workspace, others: false)
          touched =
            shown.select do |one|
              draft.channel_id ? one.row[:channel_id] == draft.channel_id : !one.own.key?(draft.part)
            end
          {
            master: {
              count: drafted.master["text"].grapheme_clusters.size
            },
            adaptations: touched.map { |one| { id: one.id, proof: AdaptationView.proof(one, seen.of(one)) } }
          }
        end
      end
    end
  end
end
