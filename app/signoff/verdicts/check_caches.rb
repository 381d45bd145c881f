# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Computes every verdict anew and compares it with what is stored for filtering. What time alone has changed is
      # mended.
      class CheckCaches
        BATCH = 200
        KEPT = %i[stage waits_for_nobody].freeze

        # @param mend [Boolean] write what should stand there
        # @return [Array<Hash>] {post:, stored:, computed:} for every difference
        def self.call(environment, mend: false)
          environment.db[:workspaces].select_map(:id).flat_map { |workspace| new(environment, workspace, mend).call }
        end

        def initialize(environment, workspace_id, mend)
          @environment = environment
          @mend = mend
          @member = Member.process(workspace_id, "caches")
          @scope = @member.scope(environment.db)
        end

        def call
          @scope.rows(:posts).select_map(:id).each_slice(BATCH).flat_map { |ids| compare(ids) }
        end

        private

        def compare(ids)
          found =
            Store::Posts::PostState
              .load(@scope, ids, @environment.now)
              .values
              .filter_map do |post|
                stored = [*post.row.values_at(*KEPT), *post.adaptations.map { |one| one.row[:stage] }]
                computed = [post.stage, post.waits_for_nobody?, *post.adaptations.map(&:stage)]
                { post: post.id, stored: stored, computed: computed } if stored != computed
              end
          mend(found.map { |one| one[:post] }) if @mend && found.any?
          found
        end

        # Under the locks of the posts, so that nothing is put down that an act has just made untrue.
        def mend(ids)
          @scope.transaction do
            Store::Locks.for_posts(@scope, ids)
            RefreshStage.call(
              @environment,
              @member,
              posts: Store::Posts::PostState.load(@scope, ids, @environment.now).values
            )
          end
        end
      end
    end
  end
end
