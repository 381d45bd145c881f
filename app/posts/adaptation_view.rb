# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # One adaptation as its column shows it: the text as it will be sent, counted and cut by the card, checks, strip,
      # what opening it would cost, and what became of it.
      module AdaptationView
        # What the checks know beside the adaptation itself. days_off: Date => name · around: findings about what goes
        # out around it · looks: address => what was found at its end · spread: times of their own for channels that
        # would go out at once
        Seen =
          Struct.new(:days_off, :around, :looks, :spread, keyword_init: true) do
            def initialize(days_off: {}, around: [], looks: {}, spread: []) = super
          end
        NOTHING_SEEN = Seen.new.freeze

        module_function

        # @param adaptation [Store::Posts::PostState::Adaptation]
        # @param names [Hash] person id => name
        def call(adaptation, names, condition: nil, off: nil, stays: nil, seen: NOTHING_SEEN)
          {
            id: adaptation.id,
            channel: channel(adaptation, condition),
            off: off,
            stays: stays,
            stage: adaptation.stage,
            sealed: adaptation.verdict.sealed?,
            opened: adaptation.facts.opened,
            proof: proof(adaptation, seen),
            strip: Signoff::Strip.of_adaptation(adaptation, names),
            fingerprint: adaptation.fingerprint,
            at: adaptation.time&.at&.iso8601,
            time_kind: adaptation.time&.kind,
            cost: Core::Signoff::Cost.of_opening(adaptation.verdict, names),
            blocks:
              adaptation.verdict.blocks.map do |answer|
                { person: names[answer.person_id], verdict: answer.verdict, words: answer.words }
              end,
            release:
              adaptation.release &&
                { at: adaptation.release[:at].iso8601, by: names[adaptation.release[:released_by]] },
            showing: showing(adaptation),
            offers: Core::Channels::Offers.of(adaptation.channel[:card]),
            tags: adaptation.tags,
            tags_fixed: !adaptation.row[:tags].nil?
          }
        end

        def channel(adaptation, condition)
          adaptation
            .channel
            .slice(:id, :name, :network, :initials, :account, :state)
            .merge(level: condition&.level || "fine", sentence: condition&.sentence || "")
        end

        def proof(adaptation, seen)
          card = adaptation.channel[:card]
          request = adaptation.request
          text = request["text"]
          rule = card.text
          within = Core::Checks::Counting.within(text, rule, rule.limit)
          {
            text: text,
            count: Core::Checks::Counting.count(text, rule),
            limit: rule.limit,
            rule: rule.rule,
            within: within,
            written:
              Core::Posts::Mentions.written(
                adaptation.parts["text"],
                adaptation.place.book,
                adaptation.place.network,
                within
              ),
            fold: rule.fold && Core::Checks::Counting.within(text, rule, rule.fold),
            hashtags: Core::Checks::Hashtags.find(text).size,
            most_hashtags: card.hashtags,
            pictures: pictures(adaptation),
            link: request["link"],
            link_card: link_card(adaptation),
            tagged: Array(request["tagged"]),
            **Beside.settings(request),
            checks:
              checks(adaptation, seen).map do |finding|
                finding.to_h.merge(mend: Core::Checks::Mends.for(finding, adaptation.parts, card, spread: seen.spread))
              end
          }
        end

        # In the order of the request's media.
        def pictures(adaptation)
          adaptation
            .pictures
            .reject { |picture| picture[:of_link] }
            .map do |picture|
              {
                media_id: picture[:media_id],
                kind: picture[:kind],
                crop: picture[:spec]["crop"],
                size: picture[:spec]["size"],
                lost: (picture[:lost] * 100).round
              }
            end
        end

        # What a network that shows a card shows: what a person put there; its own reading of the page is not known
        # before.
        def link_card(adaptation)
          link = adaptation.parts["link"]
          unless link && adaptation.channel[:card].link_card && adaptation.request["media"].empty? &&
                   adaptation.request["link"]
            return
          end

          card = link["card"] || {}
          {
            title: card["title"].to_s,
            words: card["words"].to_s,
            picture: card["picture"],
            host: URI.parse(link["address"]).host
          }
        end

        def checks(adaptation, seen)
          text = adaptation.request["text"]
          [
            *Core::Checks::PostChecks.call(adaptation.request, adaptation.channel[:card]),
            *Core::Checks::LeftOut.call(adaptation.parts, adaptation.request, adaptation.place),
            *Core::Checks::OneShape.call(cuts(adaptation), adaptation.channel[:name]),
            *Core::Checks::PlanChecks.call(text, adaptation.time&.wall&.to_date, seen.days_off),
            *Core::Checks::FileChecks.call(
              files(adaptation),
              adaptation.time&.wall&.to_date,
              adaptation.channel[:card].media.min_side
            ),
            *Core::Checks::LinkChecks.call(adaptation.request, seen.looks),
            *seen.around
          ]
        end

        # What is said in the library of the files that go out.
        def files(adaptation)
          adaptation.pictures.map do |picture|
            said = picture[:said]
            Core::Checks::FileChecks::File.new(
              name: said[:name],
              usable_until: said[:usable_to]&.then { |day| Date.iso8601(day) },
              covered: Rational(said[:covered], 1_000_000),
              pixels: picture[:kind] == "picture" ? picture[:spec]["size"] : nil
            )
          end
        end

        def cuts(adaptation)
          pictures = adaptation.pictures.select { |picture| picture[:kind] == "picture" && !picture[:of_link] }
          pictures.each_with_index.map do |picture, index|
            Core::Checks::OneShape::Picture.new(
              number: index + 1,
              width: picture[:width],
              height: picture[:height],
              crop: picture[:spec]["crop"],
              framed: !adaptation.parts["framing"].fetch(picture[:media_id], {})["shape"].nil?
            )
          end
        end

        def showing(adaptation)
          row = adaptation.showing or return
          {
            id: row[:id],
            state: row[:state],
            address: row[:address],
            sent_at: row[:sent_at]&.iso8601,
            seen: row[:seen],
            seen_at: row[:seen_at]&.iso8601,
            seen_note: row[:seen_note],
            trouble: row[:trouble]
          }
        end
      end
    end
  end
end
