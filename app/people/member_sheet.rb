# frozen_string_literal: true

module AskFirst
  module App
    module People
      # One member: what they may do here and why, for every act, and what they hold in their hands.
      class MemberSheet < Act
        reads :membership, "see_people"

        # what each line of the page asks the decision function, in the words of the page
        LINES = {
          "See drafts and house talk" => %w[see_post],
          "Make posts" => %w[make_post],
          "Change copy" => %w[write:text],
          "Change pictures, order and crop" => %w[write:media],
          "Describe pictures" => %w[write:descriptions],
          "Change the time" => %w[write:time],
          "Change subject, channels, audience, budget" => %w[rename choose_channels write:audience write:budget],
          "Answer when asked" => %w[answer_internal answer_client],
          "Do and finish own tasks" => %w[finish_task],
          "Assign tasks" => %w[assign],
          "Send and withdraw asks" => %w[ask withdraw],
          "Release, take back, settle" => %w[release take_back settle],
          "Hold everything" => %w[hold],
          "Unlock what is locked" => %w[open],
          "Say something to the client" => %w[client_talk],
          "Invite people, change what they may do" => %w[invite change_member],
          "Connect and archive channels" => %w[connect],
          "Change the route, skip a step" => %w[rule],
          "Change brand sheet and settings, archive" => %w[change_settings archive],
          "Export everything" => %w[export],
          "Delete the client" => %w[delete_client],
          "Look as another member" => %w[look_as]
        }.freeze

        # @return [Hash] JSON-ready
        def call(membership_id:)
          about = Member.from_row(row)
          {
            id: membership_id,
            name: row[:name],
            role: row[:role],
            side: row[:side],
            lines: lines(about),
            holds: Holdings.of(scope, row, now),
            notices: row[:side] == "client" ? notices(row) : nil
          }
        end

        private

        def lines(about)
          LINES.map do |words, acts|
            decisions = acts.map { |act| decide(about, act) }
            allowed = decisions.select(&:allowed?)
            refused = decisions.reject(&:allowed?).first
            # somebody answers either inside or for the client, never both
            refused = nil if allowed.any? && acts.first.start_with?("answer_")
            {
              words: words,
              allowed: extent(allowed, refused),
              why: refused ? why(refused) : "role",
              who_can: refused ? refused.who_can : []
            }
          end
        end

        def extent(allowed, refused)
          return "none" if allowed.empty?

          refused ? "part" : "all"
        end

        # As if asked, and as if the task were their own: the line says what the role gives.
        def decide(about, act)
          Core::Permissions::Decision.for(
            about,
            act,
            on: touching(asked: colleagues.map(&:person_id), owners: colleagues.map(&:person_id)),
            others: colleagues
          )
        end

        def why(decision)
          decision.code == "not_yours" ? "not in the role" : decision.rule
        end

        # What a client's person is told by mail; a lead may turn it down.
        def notices(row)
          told = ->(kind) { Core::People::Notices.choice(row[:notices], kind, "client") }
          Core::People::Notices::CLIENT.to_h { |kind| [kind, told.call(kind)] }
        end
      end
    end
  end
end
