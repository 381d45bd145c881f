# frozen_string_literal: true

module AskFirst
  module Store
    module Door
      # What the door opens: one row of a kind, with what decides beside it who may open it (the channels that it hangs
      # on, the posts, the people asked), in the same statement. What is not found is not there, or not this reader's.
      class Things
        # @param scope [Scope] of one workspace
        def initialize(scope)
          @scope = scope
        end

        # @param table [Symbol]
        # @param id [String]
        # @yieldparam rows [Sequel::Dataset] to be narrowed
        # @return [Hash, nil]
        def one(table, id, &narrow)
          found = scope.rows(table).where(Sequel[table][:id] => id)
          found = narrow.call(found) if narrow
          found.first
        end

        # @return [Hash, nil] an ask with its :post_ids and :channel_ids
        def ask(id)
          one(:asks, id) { |asks| asks.select_all(:asks).select_append(*whereabouts) }
        end

        # @return [Hash, nil] a pass with the :post_ids and :channel_ids of its ask
        def pass(id)
          one(:guest_passes, id) do |passes|
            passes
              .join(:asks, workspace_id: :workspace_id, id: :ask_id)
              .select_all(:guest_passes)
              .select_append(*whereabouts)
          end
        end

        # @return [Hash, nil] a line with what its ask says, and whom it :asked
        def line(id)
          asked =
            scope.db[:ask_people].where(
              workspace_id: Sequel[:ask_lines][:workspace_id],
              ask_id: Sequel[:ask_lines][:ask_id]
            )
          one(:ask_lines, id) do |lines|
            lines
              .join(:asks, workspace_id: :workspace_id, id: :ask_id)
              .select_all(:ask_lines)
              .select_append(:step_id, :room, :withdrawn_at, :asked_by, gathered(asked, :person_id).as(:asked))
          end
        end

        # @return [Hash, nil] a rendition that one ask shows
        def rendition_of_ask(id, ask_id)
          shown =
            scope.db[:ask_lines]
              .where(Sequel[:ask_lines][:workspace_id] => Sequel[:renditions][:workspace_id], :ask_id => ask_id)
              .join(:ask_line_adaptations, workspace_id: :workspace_id, line_id: :id)
              .join(
                :revision_adaptations,
                workspace_id: Sequel[:ask_lines][:workspace_id],
                id: Sequel[:ask_line_adaptations][:revision_adaptation_id]
              )
              .where(Sequel.lit("rendition_ids @> ARRAY[renditions.id]"))
          one(:renditions, id) { |files| files.where(shown.select(1).exists) }
        end

        # @return [Hash, nil] with its :channel_ids
        def invitation(id) = on_channels(:invitations, id, :invitation_channels, :invitation_id)

        # @return [Hash, nil] with its :channel_ids
        def channel_set(id) = on_channels(:channel_sets, id, :channel_set_channels, :set_id)

        # @return [Hash, nil] with the :channel_ids that hang on it
        def connection(id) = on_channels(:connections, id, :channels, :connection_id, :id)

        # One statement, whether a post is there, not there, or not theirs.
        # @param ids [Array<String>]
        # @return [Hash{String=>Hash}] the posts that the reader sees, each with its :channel_ids
        def posts(ids)
          on =
            scope.db[:adaptations].where(
              workspace_id: Sequel[:posts][:workspace_id],
              post_id: Sequel[:posts][:id],
              removed_at: nil
            )
          Posts::Visible
            .of(scope, ids)
            .select_all(:posts)
            .select_append(gathered(on, :channel_id).as(:channel_ids))
            .order(Sequel[:posts][:id])
            .to_hash(:id)
        end

        # @param ask_id [String, nil] where only one ask counts
        # @return [Hash, nil] a post that somebody was asked about
        def post_asked_about(id, person_id, ask_id)
          lines =
            scope.db[:ask_lines]
              .where(
                Sequel[:ask_lines][:workspace_id] => Sequel[:posts][:workspace_id],
                Sequel[:ask_lines][:post_id] => Sequel[:posts][:id]
              )
              .join(:ask_people, workspace_id: :workspace_id, ask_id: :ask_id)
              .where(person_id: person_id)
          lines = lines.where(Sequel[:ask_lines][:ask_id] => ask_id) if ask_id
          one(:posts, id) { |posts| posts.where(lines.select(1).exists) }
        end

        # @return [Array<Hash>] the files of these that the reader sees, locked
        def media(ids)
          Posts::Visible.media_of(scope, ids).order(Sequel[:media][:id]).for_update.all
        end

        private

        attr_reader :scope

        # A row with the channels that another table names for it.
        def on_channels(table, id, beside, key, column = :channel_id)
          channels = scope.db[beside].where(:workspace_id => Sequel[table][:workspace_id], key => Sequel[table][:id])
          one(table, id) { |rows| rows.select_all(table).select_append(gathered(channels, column).as(:channel_ids)) }
        end

        # The posts and channels that an ask is about.
        def whereabouts
          lines = scope.db[:ask_lines].where(workspace_id: Sequel[:asks][:workspace_id], ask_id: Sequel[:asks][:id])
          on =
            scope.db[:ask_line_adaptations].where(
              Sequel[:ask_line_adaptations][:workspace_id] => Sequel[:asks][:workspace_id],
              :line_id => lines.select(:id)
            ).join(:adaptations, workspace_id: :workspace_id, id: :adaptation_id)
          [gathered(lines, :post_id).as(:post_ids), gathered(on, :channel_id).as(:channel_ids)]
        end

        # An array of what another table holds of it, in the same statement.
        def gathered(dataset, column)
          Sequel.function(:array, dataset.select(column))
        end
      end
    end
  end
end
