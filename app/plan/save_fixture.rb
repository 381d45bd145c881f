# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Makes a fixture, or changes one: what comes back by which rule, where, when, for whom. What it makes by itself
      # is made as whoever saved it last, and as far as they may.
      class SaveFixture < Act
        opens :fixture, "pencil"

        # @param fixture [Hash] word, rule, first, last, clock, label_id, owner_id, days_before, makes: see
        #   Core::Plan::Fixture.read
        # @param channel_ids [Array<String>]
        # @param fixture_id [String, nil] nil for a new one
        # @param version [Integer] that the writer saw
        # @return [String] its id
        def call(fixture:, channel_ids:, fixture_id: nil, version: 0)
          read = Core::Plan::Fixture.read(**fixture, now: now)
          raise no_channel if channel_ids.empty?

          require_known!(read)
          raise Core::Plan::Fixture.too_many if row.nil? && rows(:fixtures).count >= Core::Plan::Fixture::MOST

          id = fixture_id || new_id
          keep(id, read, version)
          put_channels(id, channel_ids.uniq)
          record("fixture_saved", facts: { word: read.word, rule: words(read), before: row && row[:word] })
          announce("plan", ids: [])
          id
        end

        private

        def words(fixture) = Core::Plan::RecurrenceWords.of(fixture.recurrence)

        def require_known!(fixture)
          label = fixture.label_id
          owner = fixture.owner_id
          known =
            label.nil? || (Core::Uuid::FORMAT.match?(label) && rows(:labels).where(id: label, merged_into: nil).any?)
          raise gone("label") unless known
          unless owner.nil? || colleagues.any? { |one| one.person_id == owner && one.side == "agency" }
            raise gone("owner")
          end
        end

        def keep(id, fixture, version)
          set = columns(fixture)
          if row
            by = { made_by: member.person_id, version: version + 1 }
            done = rows(:fixtures).where(id: id, version: version).update(set.merge(by))
            raise changed if done.zero?
          else
            by = { made_by: member.person_id, made_at: now }
            scope.db[:fixtures].insert(workspace_id: member.workspace_id, id: id, **set, **by)
          end
        end

        def columns(fixture)
          {
            word: fixture.word,
            rule: fixture.recurrence.rule,
            first_day: fixture.recurrence.first,
            last_day: fixture.last,
            clock: fixture.clock,
            label_id: fixture.label_id,
            owner_id: fixture.owner_id,
            days_before: fixture.days_before,
            makes: fixture.makes
          }
        end

        def put_channels(id, channel_ids)
          rows(:fixture_channels).where(fixture_id: id).exclude(channel_id: channel_ids).delete
          scope.db[:fixture_channels].insert_conflict.multi_insert(
            channel_ids.map { |one| { workspace_id: member.workspace_id, fixture_id: id, channel_id: one } }
          )
        end

        def no_channel
          Core::Invalid.new("no_channel", "A fixture has a channel.", field: "channels", way_on: "Choose one.")
        end

        def gone(field)
          Core::Invalid.new("not_there", "This is not there (any more).", field: field, way_on: "Choose again.")
        end

        def changed
          Core::Conflict.new(
            "part_changed",
            "Somebody else changed this fixture meanwhile.",
            way_on: "Look at theirs; save again to write yours over it.",
            facts: {
              "version" => rows(:fixtures).where(id: row[:id]).get(:version)
            }
          )
        end
      end
    end
  end
end
