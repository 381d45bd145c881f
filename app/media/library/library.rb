# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # A page of a client's media, in the order and as far as they are asked for.
      class Library < LibraryAct
        reads :client, "see_post"

        PAGE = 60
        KINDS = %w[picture video document].freeze

        # @param filters [Hash] :folder (id or "none"), :kind, :look, :label, :words
        # @param order [String] newest, name or largest
        # @param after [String, nil] id of the last one of the page before
        # @return [Hash] JSON-ready
        def call(filters: {}, order: "newest", after: nil)
          last = Paging.id(after, field: "after")&.then { |id| library.one(id) || raise(Paging.bad_cursor("after")) }
          found = library.page(clean(filters), order: order, after: last, limit: PAGE + 1)
          shown = found.first(PAGE)
          { media: shown.map { |one| card(one) }, next: found.size > PAGE ? shown.last[:id] : nil }
        end

        private

        def clean(filters)
          label = filters[:label]&.then { |id| Paging.id(id, field: "label") }
          folder = filters[:folder]&.then { |id| id == "none" ? id : Paging.id(id, field: "folder") }
          filters.compact.merge({ label: label, folder: folder }.compact)
        end
      end
    end
  end
end
