# frozen_string_literal: true

module AskFirst
  module App
    module People
      # Writes one mail with everything that is due for a person. Works under the jobs' role, over all clients: what
      # it says is only said to a member who is one still.
      class MailNotices
        def self.call(environment, person_id)
          new(environment, person_id).call
        end

        def initialize(environment, person_id)
          @environment = environment
          @person_id = person_id
        end

        def call
          mail = @environment.db.transaction { compose }
          @environment.mailer.deliver(**mail) if mail
        end

        private

        def compose
          due = due_rows
          return if due.empty?

          @environment.db[:notices].where(id: due.map { |row| row[:id] }).update(sent_at: @environment.now)
          person = @environment.db[:people].where(id: @person_id).first
          clients =
            Store::People::Members
              .of_person(@environment.db, @person_id, @environment.now)
              .select { |row| row[:side] == "agency" }
              .to_h { |row| [row[:workspace_id], row[:workspace_name]] }
          told = due.select { |row| clients.key?(row[:workspace_id]) }
          return if told.empty?

          lines = told.map { |row| [clients[row[:workspace_id]], row[:words], link(row)] }
          letter =
            lines
              .reduce(Letter.new(person[:name])) { |said, line| said.item(*line) }
              .small("What you are told, and when", "#{@environment.settings.public_url}/profile")
          { to: person[:email], subject: subject(lines), **letter.parts }
        end

        def due_rows
          now = @environment.now + 1
          @environment.db[:notices]
            .where(person_id: @person_id, sent_at: nil)
            .where { due_at <= now }
            .order(:at)
            .for_update
            .all
        end

        def link(row)
          if row[:post_id]
            "#{@environment.settings.public_url}/w/#{row[:workspace_id]}/posts/#{row[:post_id]}"
          else
            "#{@environment.settings.public_url}/desk"
          end
        end

        def subject(lines)
          lines.size == 1 ? "#{lines[0][0]}: #{lines[0][1]}"[0, 180] : "#{lines.size} things in Ask First"
        end
      end
    end
  end
end
