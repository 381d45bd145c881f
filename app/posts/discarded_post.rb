# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # A discarded post, at its own address: who discarded it, when, and whether the reader may restore it.
      class DiscardedPost < Act
        reads :client, "see_post"

        # @param rows [Array<Hash>] of Store::Posts::Discarded
        # @param members [Hash{String=>Member}] the reader, by workspace
        # @return [Array<Hash>] one JSON-ready line for each
        def self.lines(environment, scope, members, rows)
          names = environment.db[:people].where(id: rows.map { |row| row[:discarded_by] }).select_hash(:id, :name)
          rows
            .zip(ListPosts.lines(scope, rows))
            .map do |row, line|
              line.slice(:id, :workspace_id, :subject, :channels).merge(
                by: names.fetch(row[:discarded_by]),
                discarded_at: row[:discarded_at].iso8601,
                restore: may(members.fetch(row[:workspace_id]), row)
              )
            end
        end

        def self.may(member, row)
          act, touched = BringBack.asks(row, member.person_id)
          Permissions::Capabilities.one(member, act, [], touched)
        end
        private_class_method :may

        # @return [Hash] JSON-ready
        # @raise [Core::NotFound]
        def call(post_id:)
          found = Core::Uuid::FORMAT.match?(post_id.to_s) && Store::Posts::Discarded.find(scope, post_id)
          raise Core::NotFound, "This post" unless found

          self.class.lines(environment, scope, { member.workspace_id => member }, [found]).first
        end
      end
    end
  end
end
