# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Copies what was chosen of one client's set-up to a new one. Never posts, talk, media or channels; people only
      # when chosen.
      module CopySetUp
        module_function

        # @param source [Member] of whoever copies, in the client that is copied from
        # @param copy [Array<String>] of days, route, brand, writing, people
        # @param by [AgencyPerson]
        def call(environment, source, target_id, copy, by:)
          found = source.scope(environment.db).transaction { read(environment, source, copy) }
          scope = Store::Scope.new(environment.db, workspace_ids: target_id, person_id: by.person_id, side: "agency")
          scope.transaction do
            [found[:days], found[:writing]].each do |settings|
              environment.db[:workspaces].where(id: target_id).update(settings) if settings
            end
            remind(scope, found[:reminders] || [], by, environment.now)
            people = join(scope, found[:people] || [], environment.now)
            route(environment, scope, found[:route], people) if found[:route]
            (found[:brand] || []).each do |row|
              scope.insert(
                :brand_parts,
                row.slice(:part).merge(
                  value: Store::Database.jsonb(row[:value]),
                  version: 1,
                  written_by: by.person_id,
                  written_at: environment.now
                )
              )
            end
            Store::Record::Rows.add(
              scope,
              now: environment.now,
              who: by.on_record.merge(pass_id: nil, process: nil),
              act: "set_up_copied",
              facts: {
                from: source.workspace_name,
                what: copy
              }
            )
          end
        end

        def read(environment, source, copy)
          scope = source.scope(environment.db)
          {
            days: copy.include?("days") && days(environment.db[:workspaces].where(id: source.workspace_id).first),
            route: copy.include?("route") && Store::Signoff::Routes.today(scope),
            writing:
              copy.include?("writing") && writing(environment.db[:workspaces].where(id: source.workspace_id).first),
            reminders: copy.include?("writing") && Store::Checks::Reminders.standing(scope),
            brand: copy.include?("brand") && scope.rows(:brand_parts).all,
            people:
              copy.include?("people") &&
                Store::People::Members.of_workspace(scope, environment.now).select { |row| row[:side] == "agency" }
          }
        end

        def days(row)
          row.slice(:zone, :week_start, :holidays, :time_policy).merge(
            working_hours: Store::Database.jsonb(row[:working_hours])
          )
        end

        def writing(row)
          row.slice(:currency).merge(tracking: Store::Database.jsonb(row[:tracking]))
        end

        def remind(scope, reminders, by, now)
          scope.insert(
            :reminders,
            *reminders.each_with_index.map do |row, place|
              { id: Core::Uuid.v7(now), words: row[:words], position: place, made_by: by.person_id, made_at: now }
            end
          )
        end

        # Staff only: whoever answers for one client does not answer for another.
        # @return [Array<String>] person ids of everybody in the new client
        def join(scope, rows, now)
          there = scope.rows(:memberships).select_map(:person_id)
          fresh = rows.reject { |row| there.include?(row[:person_id]) || row[:access_until] }
          scope.insert(
            :memberships,
            *fresh.map do |row|
              {
                id: Core::Uuid.v7(now),
                person_id: row[:person_id],
                side: "agency",
                role_id: row[:role_id],
                title: row[:title],
                since: now
              }
            end
          )
          there + fresh.map { |row| row[:person_id] }
        end

        # The steps with those of their people who are here too; the client's people are named later.
        def route(environment, scope, steps, people)
          copies =
            steps.map do |step|
              {
                **step.to_h.slice(:name, :side, :quorum, :n, :hours, :required, :four_eyes, :roles),
                condition: step.condition&.elsewhere,
                people: step.people & people
              }
            end
          id = scope.rows(:routes).where(is_default: true).get(:id)
          Store::Signoff::Routes.change(scope, id, copies, environment.now)
        end
      end
    end
  end
end
