# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Restores a discarded draft, as it was, to everybody who saw it. It is in nobody's sight until then, so that the
      # door cannot open it.
      class BringBack < Act
        opens :client, "make_post"

        # Whoever may discard a post may restore it, and whoever did.
        # @param row [Hash] of Store::Posts::Discarded
        # @return [Array(String, Core::Permissions::Touched)] what restoring it asks for, on what
        def self.asks(row, person_id)
          return "make_post", Core::Permissions::Touched::NOTHING if row[:discarded_by] == person_id

          channels = row[:channels].to_a.map { |channel| channel["id"] }
          ["discard", Core::Permissions::Touched.new(channel_ids: channels)]
        end

        # @raise [Core::NotFound] when no such post was discarded, or it was restored
        def call(post_id:)
          raise Core::NotFound, "This post" unless Core::Uuid::FORMAT.match?(post_id.to_s)

          row = Store::Posts::Discarded.find(scope, post_id) or raise Core::NotFound, "This post"
          act, touched = self.class.asks(row, member.person_id)
          require_ability!(act, on: touched)
          raise Core::NotFound, "This post" unless Store::Posts::Discarded.restore(scope, post_id)

          record("post_brought_back", post_id: post_id, facts: { subject: row[:subject] })
          announce("posts", ids: [post_id])
        end
      end
    end
  end
end
