# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # One adaptation as its column shows it: the text as it will be sent, counted and cut by the card, checks, strip,
      # what opening it would cost, and what became of it.
      module AdaptationView
        module_function

        # @param adaptation [Store::Posts::Standing::Adaptation]
        # @param names [Hash] person id => name
        # @param days_off [Hash{Date=>String}] of the client
        # @param around [Array<Core::Checks::PostChecks::Finding>] what goes out around it
        def call(adaptation, names, condition: nil, off: nil, days_off: {}, around: [])
          {
            id: adaptation.id, channel: channel(adaptation, condition), off: off, stage: adaptation.stage, sealed: adaptation.verdict.sealed?, opened: adaptation.facts.opened,
            proof: proof(adaptation, days_off, around), strip: Signoff::Strip.of_adaptation(adaptation, names), fingerprint: adaptation.fingerprint,
            at: adaptation.time&.at&.iso8601, time_kind: adaptation.time&.kind, cost: Core::Signoff::Cost.of_opening(adaptation.verdict, names),
            blocks: adaptation.verdict.blocks.map { |answer| { person: names[answer.person_id], verdict: answer.verdict, words: answer.words } },
            release: adaptation.release && { at: adaptation.release[:at].iso8601, by: names[adaptation.release[:released_by]] },
            showing: showing(adaptation)
          }
        end

        def channel(adaptation, condition)
          adaptation.channel.slice(:id, :name, :network, :initials, :account, :state).merge(level: condition&.level || "fine", sentence: condition&.sentence || "")
        end

        def proof(adaptation, days_off, around)
          card = adaptation.channel[:card]
          text = adaptation.request["text"]
          rule = card.fetch("text")
          {
            text: text, count: Core::Checks::Counting.count(text, rule), limit: rule.fetch("limit"), rule: rule.fetch("rule"),
            within: Core::Checks::Counting.within(text, rule, rule.fetch("limit")), fold: rule["fold"] && Core::Checks::Counting.within(text, rule, rule["fold"]),
            pictures: adaptation.pictures.map { |picture|
              { media_id: picture[:media_id], crop: picture[:spec]["crop"], size: picture[:spec]["size"], lost: (picture[:lost] * 100).round }
            },
            checks: [*checks(adaptation, days_off), *around].map(&:to_h)
          }
        end

        def checks(adaptation, days_off)
          Core::Checks::PostChecks.call(adaptation.request, adaptation.channel[:card]) + Core::Checks::PlanChecks.call(adaptation.request["text"], adaptation.time&.wall&.to_date, days_off)
        end

        def showing(adaptation)
          row = adaptation.showing or return
          { id: row[:id], state: row[:state], address: row[:address], sent_at: row[:sent_at]&.iso8601, seen: row[:seen], seen_at: row[:seen_at]&.iso8601,
            seen_note: row[:seen_note], trouble: row[:trouble] }
        end
      end
    end
  end
end
