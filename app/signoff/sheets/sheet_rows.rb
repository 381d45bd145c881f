# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # The sign-off sheet of a post, a campaign or a period: every yes, with whose it was and by whose hand, when, how,
      # on which revision and for exactly which content; and what was decided beside them.
      class SheetRows < Act
        reads :client, "see_post"

        MOST = 500 # posts
        COLUMNS = %w[
          post
          planned
          zone
          channel
          stage
          step
          side
          said
          person
          way
          by
          words
          at
          revision
          fingerprint
          counts
          record
          place
          address
        ].freeze
        WAYS = {
          "skip" => "skipped",
          "drop" => "dropped",
          "strike" => "place struck",
          "fill" => "place filled",
          "set_aside" => "change set aside"
        }.freeze

        # @param post_id [String, nil]
        # @param campaign_id [String, nil]
        # @param from [String, nil] first day, in the client's zone; without anything named the month that it is
        # @param to [String, nil] last day
        # @return [Hash] title:, rows: (Hashes with COLUMNS as keys, and :post_id, :record_id, :said_at,
        #   :request (the content with that fingerprint; nil where it is not kept), :rendition_id), top:
        # @raise [Core::NotFound, Core::Invalid] too_many_posts, bad_date
        def call(post_id: nil, campaign_id: nil, from: nil, to: nil)
          days = days(from, to) unless post_id || campaign_id
          found = chosen(post_id, campaign_id, days).limit(MOST + 1).all
          raise too_many if found.size > MOST

          ids = found.map { |row| row[:id] }
          posts = post_states(ids)
          beside = SheetBeside.new(scope, ids)
          rows = ids.flat_map { |id| of_post(posts.fetch(id), beside) }
          { title: title(post_id, found, campaign_id, days), rows: rows, top: App::Record::Top.of(scope) }
        end

        private

        # @return [Range<Date>]
        def days(from, to)
          today = Core::Plan::WallTime.at(now, workspace[:zone]).wall.to_date
          first = from ? Core::Plan::Iso.day(from, now, field: "from") : Date.new(today.year, today.month, 1)
          last = to ? Core::Plan::Iso.day(to, now, field: "to") : Date.new(first.year, first.month, -1)
          return first..last if first <= last

          raise Core::Invalid.new(
                  "bad_date",
                  "The last day is before the first.",
                  field: "to",
                  way_on: "Turn them round."
                )
        end

        def chosen(post_id, campaign_id, days)
          Store::Signoff::Sheets
            .posts(
              scope,
              post_id: post_id && known(post_id, "This post"),
              campaign_id: campaign_id && known(campaign_id, "This campaign"),
              span: days && span(days)
            )
            .tap { |posts| raise Core::NotFound, "This post" if post_id && posts.none? }
        end

        def known(id, what)
          Core::Uuid::FORMAT.match?(id.to_s) ? id : raise(Core::NotFound, what)
        end

        def span(days)
          first, last =
            [days.first, days.last + 1].map { |day| Core::Plan::WallTime.parse("#{day}T00:00", workspace[:zone]).at }
          first...last
        end

        def of_post(post, beside)
          mine(post.adaptations).flat_map do |one|
            said = beside.answers(one.id).map { |row| answer(post, one, row, beside) }
            ruled = beside.rulings(one.id).map { |row| ruling(post, one, row, beside) }
            (said + ruled).sort_by { |row| row["at"] }
          end
        end

        def answer(post, one, row, beside)
          own = row[:given_by] == row[:person_id]
          step = beside.step(row[:step_id])
          base(post, one, step)
            .merge(
              "said" => row[:verdict],
              "person" => names.fetch(row[:person_id]),
              "way" =>
                if own
                  row[:pass_id] ? "by link" : "by account"
                else
                  "in their name"
                end,
              "by" => names.fetch(row[:given_by]),
              "words" => row[:words],
              **moment(row[:given_at]),
              "revision" => beside.revision(row[:line_id]),
              **content(one, row[:fingerprint], beside),
              **beside.answered(row)
            )
            .then { |said| said.merge("counts" => recorded?(said) && counts?(one, row) ? "yes" : "no") }
        end

        def ruling(post, one, row, beside)
          step = beside.step(row[:step_id])
          base(post, one, step)
            .merge(
              "said" => WAYS.fetch(row[:kind]),
              "person" => row[:place_person_id] ? names.fetch(row[:place_person_id]) : "",
              "way" => "on record",
              "by" => names.fetch(row[:ruled_by]),
              "words" => row[:reason],
              **moment(row[:ruled_at]),
              "revision" => nil,
              **content(one, row[:fingerprint], beside),
              **beside.ruled(row)
            )
            .then { |said| said.merge("counts" => recorded?(said) && rules?(one, row) ? "yes" : "no") }
        end

        # What no entry of the record says counts for nothing on a sheet.
        def recorded?(said) = said["record"] != SheetBeside::NOT_KEPT

        # Set aside is a block, whatever was written since; the others are for what stood then.
        def rules?(one, row) = row[:kind] == "set_aside" || row[:fingerprint] == one.fingerprint

        def counts?(one, row)
          one.verdict.steps.any? do |standing|
            standing.step.id == row[:step_id] && standing.counting.any? { |yes| yes.order == row[:order_no] }
          end
        end

        def base(post, one, step)
          {
            "post" => post.row[:subject],
            "planned" => one.time ? one.time.wall.strftime("%Y-%m-%d %H:%M") : "",
            "zone" => one.time ? one.time.zone : "",
            "channel" => one.channel[:name],
            "stage" => one.stage.tr("_", " "),
            "step" => step[:name],
            "side" => step[:side],
            "address" => "#{environment.settings.public_url}/w/#{member.workspace_id}/posts/#{post.id}",
            :post_id => post.id
          }
        end

        # In the client's zone, in numbers and in words.
        def moment(at)
          { "at" => local(at).iso8601, :said_at => Core::Plan::WallTime.said(at, workspace[:zone]) }
        end

        def local(at) = at.getlocal(Core::Plan::WallTime.timezone(workspace[:zone]).utc_to_local(at.utc).utc_offset)

        # What was said is about this content, whatever stands there now.
        def content(one, fingerprint, beside)
          asked = beside.content(one.id, fingerprint)
          request = asked ? asked[:request] : (one.request if one.fingerprint == fingerprint)
          { "fingerprint" => fingerprint, :request => request, :rendition_id => rendition(one, asked, fingerprint) }
        end

        def rendition(one, asked, fingerprint)
          if asked
            kinds = asked[:request]["media"].map { |file| file.fetch("kind", "picture") }
            return asked[:rendition_ids].to_a.zip(kinds).find { |_, kind| kind == "picture" }&.first
          end
          return unless one.fingerprint == fingerprint

          one.pictures.find { |picture| picture[:kind] == "picture" }&.fetch(:rendition_id)
        end

        def title(post_id, found, campaign_id, days)
          what =
            if post_id
              found.first[:subject]
            elsif campaign_id
              rows(:campaigns).where(id: campaign_id).get(:name)
            else
              [days.first, days.last].map { |day| day.strftime("%-d %B %Y") }.join(" to ")
            end
          "#{workspace[:name]}, #{what}"
        end

        def too_many
          Core::TooMany.new(
            "A sheet holds at most #{MOST} posts.",
            of: "posts",
            field: "from",
            way_on: "Take a shorter period."
          )
        end
      end
    end
  end
end
