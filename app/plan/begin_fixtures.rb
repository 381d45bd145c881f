# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Begins the drafts that fixtures make by themselves, on the day on which they should be begun: as whoever wrote
      # the fixture, and as far as they may now. What they may not any more stays a mark that says it is due.
      class BeginFixtures
        # @param kit [Kit] of our own process
        # @return [Array<String>] ids of the posts that were made
        def self.call(kit) = new(kit).call

        def initialize(kit)
          @kit = kit
          @now = kit.now
        end

        def call
          clients.flat_map { |workspace_id| of_client(workspace_id) }
        end

        private

        attr_reader :kit

        def clients
          kit.db[:fixtures]
            .where(makes: true)
            .join(:workspaces, { id: :workspace_id, archived_at: nil, deleted_at: nil })
            .distinct
            .select_map(:workspace_id)
        end

        def of_client(workspace_id)
          scope = Store::Scope.new(kit.db, workspace_ids: workspace_id, person_id: nil, side: "agency")
          due = scope.transaction { due(scope) }
          due.filter_map { |row, day| make(row, day) }
        end

        # @return [Array<Array(Hash, Date)>] fixture and day
        def due(scope)
          zone = scope.db[:workspaces].where(id: scope.workspace_ids).get(:zone)
          today = Date.iso8601(Core::Plan::WallTime.at(@now, zone).local_date)
          span = today..(today + Core::Plan::Fixture::BEFORE)
          rows = Store::Plan::Fixtures.of(scope, span).select { |row| row[:makes] }
          rows.flat_map do |row|
            fixture = Store::Plan::Fixtures.fixture(row)
            Store::Plan::Fixtures.days(row, span).select { |day| fixture.due?(day, today) }.map { |day| [row, day] }
          end
        end

        # One that is refused, or was made meanwhile, does not stop the others.
        def make(row, day)
          found = Store::People::Members.find(kit.db, row[:made_by], row[:workspace_id], @now) or return
          person = Member.from_row(found)
          person
            .scope(kit.db)
            .as_person { WriteFixture.call(kit, person, fixture_id: row[:id], day: day.iso8601, itself: true) }
        rescue Core::Error
          nil
        end
      end
    end
  end
end
