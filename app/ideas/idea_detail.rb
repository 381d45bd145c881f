# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # One idea with everything about it: who voted how, its files, and what may be done.
      class IdeaDetail < IdeaAct
        reads :idea_read, "see_ideas"

        # @return [Hash] JSON-ready
        def call(idea_id:)
          found = board.one(idea_id) or raise Core::NotFound, "This idea"
          { **card(found), voted: voted, files: files(found), can: can }
        end

        private

        def votes = @votes ||= rows(:idea_votes).where(idea_id: row[:id]).order(:at).select(:person_id, :worth).all
        def voted = votes.map { |one| { name: names[one[:person_id]], worth: one[:worth] } }

        def files(found)
          ids = found[:media_ids].to_a
          seen = Store::Posts::Visible.media_of(scope, ids)
          seen.select(:id, :name, :kind).all.sort_by { |file| ids.index(file[:id]) }
        end

        def can
          on = touching(owners: [row[:given_by]], channel_ids: [row[:channel_id]].compact)
          %w[keep_idea vote_idea make_post pencil discard].to_h do |act|
            [act.to_sym, Permissions::Capabilities.one(member, act, colleagues, on)]
          end
        end
      end
    end
  end
end
