# frozen_string_literal: true

require "digest"

module AskFirst
  module App
    module Plan
      # What a calendar reads under a private address: the plan as its maker sees it now. Nobody is signed in; whoever
      # has the address has these lines and nothing else.
      class CalendarByAddress
        SURE = %w[cleared released out].freeze # it goes out at that time
        BEHIND = 60 # days
        AHEAD = 366

        # @param secret [String] of the address
        # @return [Hash] {name:, events:, marks:}
        # @raise [Core::NotFound] for an address that was guessed or revoked, or whose maker works for nobody here any
        # more: one answer
        def self.call(environment, secret)
          new(environment, Store::Database.blob(Digest::SHA256.digest(secret.to_s))).call
        end

        def initialize(environment, digest)
          @environment = environment
          @now = environment.now
          @digest = digest
        end

        def call
          scope.transaction do
            note_reading
            { name: calendar[:name], events: events, marks: marks }
          end
        end

        private

        attr_reader :environment

        def calendar
          @calendar ||=
            Store::Scope
              .of_secret(environment.db, @digest)
              .transaction { environment.db[:private_calendars].where(digest: @digest, revoked_at: nil).first } ||
              raise(Core::NotFound, "This calendar")
        end

        # The memberships that its maker has now.
        def members
          @members ||=
            Store::People::Members
              .of_person(environment.db, calendar[:person_id], @now)
              .select { |row| row[:side] == "agency" && [nil, row[:workspace_id]].include?(calendar[:workspace_id]) }
              .each { |row| clients[row[:workspace_id]] = row[:workspace_name] }
        end

        def clients = @clients ||= {}

        def scope
          @scope ||=
            begin
              raise Core::NotFound, "This calendar" if members.empty?

              limited = members.select { |row| row[:limited] }
              Store::Scope.new(
                environment.db,
                workspace_ids: members.map { |row| row[:workspace_id] },
                person_id: calendar[:person_id],
                side: "agency",
                limits: limited.to_h { |row| [row[:workspace_id], row[:channel_ids].to_a] }
              )
            end
        end

        def filter = @filter ||= Core::Plan::Filter.read(calendar[:narrowing])

        def events
          narrowed = Store::Plan::Filtered.new(scope, filter)
          from = @now - (BEHIND * 86_400)
          to = @now + (AHEAD * 86_400)
          rows = Store::Plan::Days.of(scope, from, to, narrowed)
          Lines.of(rows).select { |line| line.at.between?(from, to) }.sort_by(&:at).map { |line| event(line) }
        end

        def event(line)
          {
            id: [line.post_id, line.channels.dig(0, "id")].compact.join("-"),
            at: line.at,
            subject: line.subject,
            stage: line.stage.tr("_", " "),
            sure: SURE.include?(line.stage),
            channels: line.channels.map { |channel| channel["name"] },
            client: clients.fetch(line.workspace_id),
            address: "#{environment.settings.public_url}/w/#{line.workspace_id}/posts/#{line.post_id}"
          }
        end

        def marks
          days = (@now.to_date - BEHIND)..(@now.to_date + AHEAD)
          own = Store::Plan::Marks.between(scope, days, filter)
          taken = own.map { |mark| mark.values_at(:day, :channel_id) }
          back = Store::Plan::Fixtures.marks(scope, days, @now.to_date, filter, taken)
          (own + back).map do |mark|
            mark.slice(:day, :word, :channel, :label).merge(
              id: [mark[:channel_id], mark[:day]].join("-"),
              client: clients.fetch(mark[:workspace_id])
            )
          end
        end

        # When it was read last, to the hour: the list of addresses says which are in use.
        def note_reading
          return if calendar[:read_at] && calendar[:read_at] > @now - 3_600

          environment.db[:private_calendars].where(id: calendar[:id]).update(read_at: @now)
        end
      end
    end
  end
end
