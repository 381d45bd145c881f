# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # A client's ideas in their groups: the first ones of each, and how many there are.
      class Board < IdeaAct
        reads :client, "see_ideas"

        IN_GROUP = 40

        # @param filters [Hash] :state, :category, :words
        # @return [Hash] JSON-ready
        def call(filters: {})
          firsts = board.columns(filters, IN_GROUP).group_by { |row| row[:group_id] }
          {
            groups: [{ id: nil, name: "" }, *groups].map { |one| one.merge(column(firsts.fetch(one[:id], []))) },
            counts: board.counts,
            categories: board.categories,
            clients_give: workspace[:clients_give_ideas],
            can: can
          }
        end

        private

        def groups = rows(:idea_groups).order(:place, :id).select(:id, :name).all

        def column(found)
          ideas = found.first ? found.first[:in_group] : 0
          { ideas: ideas, first: found.map { |row| card(row) }, next: ideas > found.size ? found.last[:id] : nil }
        end

        def can
          own = touching(owners: [member.person_id])
          acts = { "keep_idea" => own, "order_ideas" => touching, "make_post" => touching, "pencil" => touching }
          acts["change_settings"] = touching
          acts.to_h { |act, on| [act.to_sym, Permissions::Capabilities.one(member, act, colleagues, on)] }
        end
      end
    end
  end
end
