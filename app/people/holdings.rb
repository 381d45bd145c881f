# frozen_string_literal: true

module AskFirst
  module App
    module People
      # What hangs on a member here: what would be left lying if they went, and what only they can do.
      module Holdings
        module_function

        # @param row [Hash] from Store::People::Members
        # @return [Hash] JSON-ready
        def of(scope, row, now)
          person = row[:person_id]
          {
            tasks: tasks(scope, person).select_map(:title),
            asks: open_asks(scope, person).map { |ask| ask.slice(:id, :post_id, :subject, :step, :last) },
            posts: seen(scope).where(owner_id: person).exclude(stage: "out").count,
            record: scope.rows(:record).where(person_id: person).count,
            steps: steps(scope, person),
            only_they_release: only_they?(scope, row, "release", now),
            releases: scope.rows(:releases).where(ended_at: nil, released_by: person).count,
            channels: consents(scope, person),
            stands_in_for: scope.rows(:stand_ins).where(stand_in_id: person).count
          }
        end

        def tasks(scope, person)
          Store::Traffic::Tasks.open(scope, person)
        end

        # A reader who is limited to channels learns nothing of other posts.
        def seen(scope)
          Store::Posts::Visible.narrow(scope, scope.rows(:posts))
        end

        # Open lines that wait for the person; `last` when nobody else was asked.
        def open_asks(scope, person) = Store::Signoff::OpenLines.new(scope).for_person(person, seen(scope))

        # Steps of today's route that name the person, with whether nobody else is named.
        def steps(scope, person)
          Store::Signoff::Routes
            .today(scope)
            .select { |step| step.people.include?(person) }
            .map { |step| { name: step.name, only: step.people == [person] } }
        end

        def consents(scope, person)
          connections = scope.rows(:connections).where(consent_by: person, state: "connected").select(:id)
          found = scope.rows(:channels).where(connection_id: connections, archived_at: nil)
          limits = scope.limits[scope.workspace_id]
          found = found.where(id: limits) if limits
          found.order(:position).select_map(:name)
        end

        def only_they?(scope, row, ability, now)
          able =
            Store::People::Members
              .of_workspace(scope, now)
              .select { |one| one[:side] == row[:side] && one[:abilities].include?(ability) }
          able.map { |one| one[:person_id] } == [row[:person_id]]
        end
      end
    end
  end
end
