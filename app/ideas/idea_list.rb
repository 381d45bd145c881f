# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # A page of a client's ideas, in the order and as far as they are asked for.
      class IdeaList < IdeaAct
        reads :client, "see_ideas"

        PAGE = 60

        # @param filters [Hash] :group (id or "none"), :state, :category, :words
        # @param order [String] of Store::Ideas::Board::ORDERS
        # @param after [String, nil] id of the last one of the page before
        # @return [Hash] JSON-ready
        def call(filters: {}, order: "newest", after: nil)
          group = filters[:group]&.then { |id| id == "none" ? id : Paging.id(id, field: "group") }
          last = Paging.id(after, field: "after")&.then { |id| board.one(id) || raise(Paging.bad_cursor("after")) }
          found = board.page(filters.merge({ group: group }.compact), order: order, after: last, limit: PAGE + 1)
          shown = found.first(PAGE)
          { ideas: shown.map { |row| card(row) }, next: found.size > PAGE ? shown.last[:id] : nil }
        end
      end
    end
  end
end
