# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      module Sheet
        # What every block of the sheet reads from: the post as it stands, who reads it, and what several blocks need.
        class Reading
          attr_reader :scope, :member, :post, :now

          # @param blocks [Array<String>] that are wanted
          # @param colleagues [#call] the members of the client, asked for once, where they are needed
          def initialize(scope:, member:, post:, now:, blocks:, colleagues:)
            @scope = scope
            @member = member
            @post = post
            @now = now
            @blocks = blocks
            @colleagues = colleagues
          end

          def names = post.names
          def workspace = post.workspace

          # @param set [Symbol] of Store::Posts::SheetRows
          # @return [Array<Hash>]
          def rows(set)
            @rows ||= Store::Posts::SheetRows.fetch(scope, post.id, @blocks, channel_ids: member.limited_to, now: now)
            @rows.fetch(set)
          end

          def members = @members ||= @colleagues.call

          # A member whose part is limited to channels sees these columns.
          def shown = @shown ||= mine(post.adaptations)

          def mine(adaptations)
            return adaptations unless member.limited_to

            adaptations.select { |one| member.limited_to.include?(one.row[:channel_id]) }
          end

          def allowed = @allowed ||= Allowed.new(member, members, post, shown, now)
          def step_name(id) = post.steps.find { |step| step.id == id }&.name || "dropped step"
        end
      end
    end
  end
end
