# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What a sign-off sheet needs of many posts beside their verdicts, read once: answers, rulings, steps, revisions,
      # and where each stands in the record.
      class SheetBeside
        # @param scope [Store::Scope] of one workspace
        # @param post_ids [Array<String>]
        def initialize(scope, post_ids)
          @scope = scope
          @ids = post_ids
        end

        # @return [Array<Hash>] rows, in the order in which they were given
        def answers(adaptation_id) = (@answers ||= by_adaptation(:answers)).fetch(adaptation_id, [])
        def rulings(adaptation_id) = (@rulings ||= by_adaptation(:rulings)).fetch(adaptation_id, [])
        def step(id) = (@steps ||= @scope.rows(:route_steps).to_hash(:id)).fetch(id)

        # @return [Integer, nil] number of the revision that a line asked about
        def revision(line_id)
          @revisions ||=
            @scope
              .rows(:ask_lines)
              .where(Sequel[:ask_lines][:post_id] => @ids)
              .join(:revisions, workspace_id: :workspace_id, id: :revision_id)
              .select_hash(Sequel[:ask_lines][:id], :number)
          @revisions[line_id]
        end

        # @return [Hash] "place" in the sealed record, nil before it is sealed; :record_id
        def recorded(post_id, person_id, at)
          row = recorded_rows[[post_id, person_id, at]]
          { "place" => row && places[row], :record_id => row }
        end

        private

        ACTS = %w[answered cleared_for disowned step_skipped step_dropped place_struck place_filled].freeze
        private_constant :ACTS

        def by_adaptation(table)
          @scope.rows(table).where(post_id: @ids).order(:order_no).all.group_by { |row| row[:adaptation_id] }
        end

        # What one person did to one post at one moment is one row of the record.
        def recorded_rows
          @recorded_rows ||=
            @scope
              .rows(:record)
              .where(post_id: @ids, act: ACTS)
              .order(:order_no)
              .select_map(%i[post_id person_id at id])
              .to_h { |post, person, at, id| [[post, person, at], id] }
        end

        def places = @places ||= Store::Record::Tree.new(@scope).places(recorded_rows.values)
      end
    end
  end
end
