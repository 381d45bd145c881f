# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Somebody of the client's side gives the agency an idea, where that is allowed. The house is told.
      class GiveIdea < IdeaAct
        opens :own_ideas, "give_idea"

        A_DAY = 20 # more than that nobody gives by hand; common practice, no source
        NOTE = Core::Lengths::WORDS

        # @param title [String]
        # @param note [String]
        # @param link [String, nil]
        # @return [String] its id
        # @raise [Core::Refused] not_wanted_here
        # @raise [Core::Invalid] title_missing, too_long, bad_link, too_many_ideas
        def call(title:, note: "", link: nil)
          raise not_here unless workspace[:clients_give_ideas]
          raise too_many if rows(:ideas).where(given_by: member.person_id, given_at: (now - 86_400)..).count >= A_DAY

          Core::Posts::Text.clean(note, field: "note", limit: NOTE)
          facts = Core::Ideas::Idea.clean({ "title" => title, "note" => note, "link" => link })
          id = new_id
          by = { came: "client", side: "client", given_by: member.person_id, given_at: now }
          scope.insert(:ideas, { **facts, id: id, place: first_place(nil), **by })
          record("idea_given", facts: { id: id, title: facts[:title] })
          tell_house(facts[:title])
          broadcast
          id
        end

        private

        # Those who send asks to the client: they speak with them.
        def tell_house(title)
          leads = colleagues.select { |one| one.side == "agency" && one.abilities.include?("ask") }
          words = "#{member.name} of #{workspace[:name]} gives an idea: “#{title}”"
          People::Notify.call(environment, member, person_ids: leads.map(&:person_id), kind: "idea", words: words)
        end

        def not_here
          Core::Refused.new(
            "not_wanted_here",
            "Ideas are not gathered here.",
            way_on: "Tell your agency; what you typed stays in the fields."
          )
        end

        def too_many
          Core::TooMany.new(
            "#{A_DAY} ideas a day are the most.",
            of: "ideas",
            field: "title",
            way_on: "Give it tomorrow, or write to your agency."
          )
        end
      end
    end
  end
end
