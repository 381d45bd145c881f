# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      module Sheet
        # What every block of the sheet reads from: the post as it stands, who reads it, and what several blocks need.
        class Reading
          attr_reader :scope, :member, :post, :names, :now, :workspace

          # @param colleagues [#call] the members of the client, asked for once, where they are needed
          def initialize(scope:, member:, post:, names:, now:, workspace:, colleagues:)
            @scope = scope
            @member = member
            @post = post
            @names = names
            @now = now
            @workspace = workspace
            @colleagues = colleagues
          end

          def members = @members ||= @colleagues.call

          # A member whose part is limited to channels sees these columns.
          def shown = @shown ||= mine(post.adaptations)

          def mine(adaptations)
            return adaptations unless member.limited_to

            adaptations.select { |one| member.limited_to.include?(one.row[:channel_id]) }
          end

          def allowed = @allowed ||= Allowed.new(member, members, post, shown, now)
          def open_lines = @open_lines ||= rows.open_lines(scope, post.id)
          def step_name(id) = post.steps.find { |step| step.id == id }&.name || "dropped step"

          private

          def rows = Store::Posts::SheetRows
        end
      end
    end
  end
end
