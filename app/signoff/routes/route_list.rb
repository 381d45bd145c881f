# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # The client's sign-off routes as they stand today: the one that every post passes, and others that campaigns and
      # posts can pass instead. With who could answer, what a condition can name, and the presets.
      class RouteList < RouteAct
        reads :client, "see_people"

        # @return [Hash] JSON-ready
        def call
          {
            routes: routes,
            able: able.transform_values { |people| people.map { |one| person_json(one) } },
            roles: roles.map { |role| role.merge(people: role[:people].filter_map { |id| names[id] }.sort) },
            labels: named(labels),
            channels: named(own(channels)),
            formats: Core::Posts::Formats::TABLE.values.map { |one| { id: one.name, name: one.words } },
            currency: workspace[:currency],
            presets: Core::Signoff::RoutePresets::ALL.map { |key, preset| preset_json(key, *preset) },
            can: Permissions::Capabilities.of(member, others: colleagues)
          }
        end

        private

        def routes
          steps = rows(:route_steps).where(retired_at: nil).select_hash(:id, :route_id)
          by_route = Store::Signoff::Routes.live(scope).group_by { |step| steps[step.id] }
          rows(:routes)
            .where(archived_at: nil)
            .reverse(:is_default)
            .order_append(:name)
            .map { |row| route_json(row, by_route.fetch(row[:id], [])) }
        end

        def route_json(row, steps)
          {
            **row.slice(:id, :name, :version, :releases_itself, :locks_time),
            default: row[:is_default],
            posts: passing(:posts)[row[:id]] || 0,
            campaigns: passing(:campaigns)[row[:id]] || 0,
            steps: steps.map { |step| step_json(step) }
          }
        end

        def passing(table)
          (@passing ||= {})[table] ||= Store::Counts.by(rows(table).exclude(route_id: nil), :route_id)
        end

        def step_json(step)
          {
            **step.to_h.slice(:id, :name, :side, :quorum, :n, :hours, :required, :four_eyes, :roles),
            people: named_ones[step.id] || [],
            names: step.people.filter_map { |id| names[id] }.sort,
            condition: step.condition && told(step.condition),
            when: step.condition&.words(known)
          }
        end

        # Whoever is limited to channels reads of the others that there are some.
        def own(hash) = member.limited_to ? hash.slice(*member.limited_to) : hash
        def known = @known ||= called.merge((channels.keys - own(channels).keys).to_h { |id| [id, "another channel"] })

        def told(condition)
          kept = condition.channels & own(channels).keys
          condition.to_h.merge("channels" => kept).reject { |_, value| value == [] }
        end

        # Those who are named themselves, and not for a role that they have.
        def named_ones = @named_ones ||= rows(:route_step_people).select_hash_groups(:step_id, :person_id)

        def person_json(one) = { id: one.person_id, name: one.name, role: one.role }
        def named(hash) = hash.map { |id, name| { id: id, name: name } }

        def preset_json(key, words, steps)
          { key: key, words: words, steps: steps.map { |name, side| { name: name, side: side } } }
        end
      end
    end
  end
end
