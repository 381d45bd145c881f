# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      module Sheet
        # What stands beside a post and voids nothing: tasks, talk, note, labels, campaign, reminders.
        class Beside
          class << self
            # Each gives one block, JSON-ready. @param reading [Reading]
            def tasks(reading) = new(reading).tasks
            def talk(reading) = new(reading).talk
            def around(reading) = new(reading).around
          end

          def initialize(reading)
            @reading = reading
            @post = reading.post
          end

          def tasks
            makers = @reading.members.select { |one| one.side == "agency" && one.abilities.include?("work") }
            {
              tasks: @reading.rows(:tasks).map { |row| task(row) },
              people: makers.map { |one| { id: one.person_id, name: one.name, role: one.role } }
            }
          end

          def talk
            Talk.of(@reading)
          end

          def around
            {
              inner_name: @post.row[:inner_name],
              inner_name_version: @post.row[:inner_name_version],
              note: @post.row[:note],
              note_version: @post.row[:note_version],
              labels: words(:labels),
              proposed_labels: proposed,
              campaign: words(:campaigns).first,
              reminders: reminders,
              looked_at: Core::Checks::LookedAt::ALL.map { |name, codes| { name: name, codes: codes } },
              known: {
                labels: words(:known_labels),
                campaigns: words(:known_campaigns)
              }
            }
          end

          private

          def names = @reading.names
          def words(set) = @reading.rows(set).map { |row| row[:name] }

          # Labels that its words ask for, since a step of its route is wanted for them.
          def proposed
            ids = @post.source.demands.proposed(@post.row, @reading.shown)
            if ids.empty?
              []
            else
              @reading.rows(:known_labels).select { |row| ids.include?(row[:id]) }.map { |row| row[:name] }
            end
          end

          def task(row)
            {
              id: row[:id],
              kind: row[:kind],
              title: row[:title],
              note: row[:note],
              person: names[row[:person_id]],
              mine: row[:person_id] == @reading.member.person_id,
              due_at: row[:due_at].iso8601,
              done_at: row[:done_at]&.iso8601,
              done_by: names[row[:done_by]]
            }
          end

          def reminders
            @reading
              .rows(:reminders)
              .map { |row| row.merge(ticked_by: names[row[:ticked_by]], ticked_at: row[:ticked_at]&.iso8601) }
          end
        end
      end
    end
  end
end
