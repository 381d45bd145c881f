# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Tells whoever released a post that the right to use one of its files ends before it goes out: from the day
      # before that, and again when it is over.
      class TellOfRights < Act
        of_process

        # Over all clients.
        # @param environment [Environment] of our own process
        def self.all(environment)
          Store::Dispatch::Rights
            .ending(environment.db, environment.now)
            .group_by { |row| row[:workspace_id] }
            .each { |id, rows| call(environment, Member.process(id, "rights"), ending: rows) }
        end

        # @param ending [Array<Hash>] of Store::Dispatch::Rights, of this client
        def call(ending:)
          ending.group_by { |row| row[:id] }.each_value { |files| of_release(files) }
        end

        private

        def of_release(files)
          due = files.group_by { |row| due(row) }
          kind = %w[ended ahead].find { |one| due.key?(one) } or return
          tell(files.first, due.fetch(kind)) if Store::Dispatch::Rights.told(scope, files.first[:id], kind)
        end

        def due(row)
          out, today = [row[:at], now].map { |at| Core::Plan::WallTime.at(at, row[:zone]).wall.to_date }
          Core::Media::Usable.told(row[:usable_until], out, today)
        end

        def tell(release, files)
          said = files.map { |row| "“#{row[:name]}” may be used until #{row[:usable_until].strftime("%-d %B %Y")}" }
          out = Core::Plan::WallTime.at(release[:at], release[:zone]).wall.strftime("%-d %B")
          record("right_told", post_id: release[:post_id], facts: { files: files.map { |row| row[:name] }.uniq })
          People::Notify.call(
            environment,
            member,
            person_ids: [release[:released_by] || release[:owner_id]],
            kind: "trouble",
            post_id: release[:post_id],
            words:
              "#{said.uniq.join(", ")}, and “#{release[:subject]}” goes out on #{out}. " \
                "#{release[:stops_without_right] ? "It will not go out so." : "It goes out all the same."}"
          )
        end
      end
    end
  end
end
