# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # Posts with everything that their verdicts hang on, in one round trip for any number of posts.
      class PostState
        # @param now [Time]
        # @return [Hash{String=>Post}] by post id, in no order
        def self.load(scope, post_ids, now)
          ids = post_ids.uniq
          ids.empty? ? {} : new(PostRows.fetch(scope.db, scope.workspace_id, ids), now).posts
        end

        # @param sets [Hash{Symbol=>Array<Hash>}] of PostRows
        def initialize(sets, now)
          @sets = sets
          @now = now
        end

        def posts
          @posts ||= @sets[:posts].to_h { |row| [row[:id], post(row)] }
        end

        # What would stand if some of the rows were others: what an act has just written, or what somebody is typing.
        # Nothing is read again.
        # @param changes [Hash{Symbol=>Proc}] name of a set => its rows before to its rows after
        # @return [PostState]
        def changed(**changes)
          PostState.new(@sets.merge(changes.to_h { |name, change| [name, change.call(@sets.fetch(name))] }), @now)
        end

        # A standing holds everything about its posts: nobody wants to read that in a message.
        def inspect = "#<#{self.class} of #{@sets[:posts].map { |row| row[:id] }.join(", ")}>"

        # @return [Array<String>] of the files that the posts' parts hold
        def media_ids = media.keys
        def media = @media ||= @sets[:media].to_h { |row| [row[:id], row] }
        def workspace = @sets[:workspace]
        # @return [Array<Hash>] everybody who is or was a member: :id, :name, :side, :abilities, :limited,
        #   :channels, :ended_at, :access_until
        def people = @sets[:people]
        def channel_names = @sets[:channels].to_h { |row| row.values_at(:id, :name) }

        def names
          @names ||= @sets[:people].to_h { |row| row.values_at(:id, :name) }
        end

        def asked_on(post_id, line_id)
          of(:asked, :post_id, post_id).select { |row| row[:line_id] == line_id }
        end

        def asked_about(adaptation_id)
          of(:asked, :adaptation_id, adaptation_id)
        end

        def channel_name(adaptation_id)
          asked = of(:asked, :adaptation_id, adaptation_id).first
          asked ? channels.fetch(asked[:channel_id])[:name] : ""
        end

        def subscribers(post)
          People::Subscribers.of_post(
            @sets[:people],
            post.channel_ids,
            of(:tasks, :post_id, post.id).map { |row| row[:person_id] },
            @now
          )
        end

        # @return [Demands] what each of the posts must pass
        def demands = @demands ||= Demands.new(@sets)

        private

        # The rows of a set by one column, grouped once.
        def by(set, column)
          @by ||= {}
          @by[[set, column]] ||= @sets.fetch(set).group_by { |row| row[column] }
        end

        def of(set, column, value)
          by(set, column).fetch(value, [])
        end

        def post(row)
          parts = of(:parts, :post_id, row[:id])
          master = parts.select { |part| part[:channel_id].nil? }.to_h { |part| [part[:part], part[:value]] }
          adaptations =
            of(:adaptations, :post_id, row[:id])
              .sort_by { |one| [channels.fetch(one[:channel_id])[:position], one[:id]] }
              .map { |one| adaptation(row, one, master, parts) }
          Post.new(
            row: row,
            route: demands.route(row),
            master: Core::Posts::Parts.resolve(master, {}),
            part_rows: parts,
            steps: steps_of(row, adaptations, master),
            source: self,
            adaptations: adaptations
          )
        end

        # Every step that any of its channels must pass; of a post on none, those that it would.
        def steps_of(post, adaptations, master)
          return Core::Signoff::Demand.in_order(adaptations.flat_map { |one| one.facts.steps }) if adaptations.any?

          demands.of(post, demands.facts(post, nil, Core::Posts::Parts.resolve(master, {})), nil)
        end

        def adaptation(post, row, master, part_rows)
          channel = channels.fetch(row[:channel_id])
          own =
            part_rows
              .select { |part| part[:channel_id] == row[:channel_id] }
              .to_h { |part| [part[:part], part[:value]] }
          parts = Core::Posts::Parts.resolve(master, own)
          showing = of(:showings, :adaptation_id, row[:id]).max_by { |one| one[:number] }
          release = of(:releases, :adaptation_id, row[:id]).first
          pictures = pictures_for(parts, channel)
          place = place(post, row, channel, parts, pictures)
          request = request_for(parts, place, showing, release)
          fingerprint = Core::Posts::Fingerprint.of(request)
          steps = demands.of(post, demands.facts(post, row[:channel_id], parts), row[:id])
          facts = facts(row, parts, fingerprint, steps, showing, release)
          facts.locks_time = demands.route(post)[:locks_time]
          verdict = Core::Signoff::Verdict.call(facts, @now)
          authors = authors(part_rows, own, row[:channel_id])
          who = Core::Signoff::StillAble.new(people, row[:channel_id], authors, @now)
          Adaptation.new(
            row: row,
            channel: channel,
            own: own,
            parts: parts,
            place: place,
            request: request,
            fingerprint: fingerprint,
            pictures: pictures,
            authors: authors,
            showing: showing,
            release: release,
            facts: facts,
            verdict: verdict,
            waits_for_nobody: who.nobody?(verdict),
            stays_until: who.until(verdict),
            unusable: unusable(pictures, facts.time)
          )
        end

        # From sending on, nothing follows the master: what is shown is what was sent.
        def request_for(parts, place, showing, release)
          return release[:request] if release && showing && %w[sending unclear out].include?(state_of(showing))

          Core::Posts::Request.build(parts, place)
        end

        # Every file of the post is known by its kind, also one that the format does not use: the format chooses by it.
        def place(post, row, channel, parts, pictures)
          files =
            media.slice(*parts["media"]).transform_values { |file| Core::Posts::Request::File.new(kind: file[:kind]) }
          pictures.each do |one|
            files[one[:media_id]] = Core::Posts::Request::File.new(digest: one[:digest], kind: one[:kind], ms: one[:ms])
          end
          Core::Posts::Request::Place.new(
            card: channel[:card],
            account: channel[:account],
            network: channel[:network],
            tags: row[:tags] || tags(post, channel),
            book: book,
            files: files
          )
        end

        # The workspace's tracking tags for one channel, as long as they are not fixed by a first ask.
        def tags(post, channel)
          defaults = @sets[:workspace][:tracking]
          return {} if defaults.empty?

          Core::Posts::Tracking.fill(
            defaults,
            {
              "network" => channel[:network],
              "channel" => channel[:name],
              "client" => @sets[:workspace][:name],
              "campaign" => campaigns[post[:campaign_id]]&.fetch(:name)
            }
          )
        end

        def facts(row, parts, fingerprint, steps, showing, release)
          time = Core::Plan::WallTime.stored(parts["time"])
          id = row[:id]
          Core::Signoff::Facts.new(
            steps: steps,
            fingerprint: fingerprint,
            time: time,
            policy: @sets[:workspace][:time_policy],
            zone: @sets[:workspace][:zone],
            opened: by(:openings, :adaptation_id).key?(id),
            ready: ready_mark(id),
            asked: of(:asked, :adaptation_id, id).map { |one| asked(one) },
            answers: of(:answers, :adaptation_id, id).map { |one| answer(one) },
            rulings: of(:rulings, :adaptation_id, id).map { |one| ruling(one) },
            holds: holds_for(row[:channel_id]),
            released: release && { fingerprint: release[:fingerprint], time: wall_time(release) },
            showing: showing && state_of(showing)
          )
        end

        # What waits to be published by hand is like what is planned, until somebody has taken it up: then it is under
        # way.
        def state_of(showing)
          return showing[:state] unless showing[:state] == "by_hand"

          showing[:claimed_by] ? "sending" : "planned"
        end

        # The content that was last marked ready, if any.
        def ready_mark(adaptation_id)
          of(:ready, :adaptation_id, adaptation_id).max_by { |one| one[:order_no] }&.fetch(:fingerprint)
        end

        def authors(part_rows, own, channel_id)
          part_rows
            .select { |part| part[:channel_id] == channel_id || (part[:channel_id].nil? && !own.key?(part[:part])) }
            .reject { |part| part[:part] == "time" }
            .flat_map { |part| part[:authors].to_a }
            .uniq
        end

        # What goes out of the media, in their order, then the picture of the link's card where there is one.
        def pictures_for(parts, channel)
          rows =
            Core::Posts::Formats.used(
              Core::Posts::Formats[parts["format"]],
              parts["media"].filter_map { |id| media[id] }
            ) { |row| row[:kind] }
          specs = Core::Media::Renditions.specs(rows, channel[:card].media, parts["framing"])
          found = rows.zip(specs).map { |row, spec| picture(row, spec) }
          card = media[Core::Posts::Link.picture(parts["link"])] if channel[:card].link_card && rows.empty?
          found << picture(card, Core::Media::Renditions.link_card(card)).merge(of_link: true) if card
          found
        end

        # Which of its files may not be used when it goes out, where the client's rule is that this stops it.
        # @return [String, nil]
        def unusable(pictures, time)
          return if !workspace[:stops_without_right] || time.nil?

          zone = workspace[:zone]
          day = [time.at, @now].map { |at| Core::Plan::WallTime.at(at, zone).wall.to_date }.max
          files = pictures.map { |one| one[:said].values_at(:name, :usable_to) }.uniq
          Core::Media::Usable.ended(files.map { |name, last| [name, last && Date.iso8601(last.to_s)] }, day)
        end

        def picture(row, spec)
          rendition = renditions[[row[:id], spec]]
          {
            media_id: row[:id],
            kind: row[:kind],
            width: row[:width],
            height: row[:height],
            ms: row[:duration_ms],
            spec: spec,
            rendition_id: rendition && rendition[:id],
            digest: rendition && rendition[:digest],
            said: row.slice(:name, :usable_to, :covered),
            lost: spec["crop"] ? Core::Media::Framing.lost(row[:width], row[:height], spec["crop"]) : 0
          }
        end

        def channels =
          @channels ||=
            @sets[:channels].to_h { |row| [row[:id], row.merge(card: Core::Channels::Card.read(row[:card]))] }
        def campaigns = @campaigns ||= @sets[:campaigns].to_h { |row| [row[:id], row] }
        def book = @book ||= known_by(@sets[:spellings])
        def renditions = @renditions ||= @sets[:renditions].to_h { |row| [[row[:media_id], row[:spec]], row] }

        def known_by(spellings)
          spellings.empty? ? Core::Posts::Mentions::NOBODY : Core::Posts::Mentions::Book.new(spellings)
        end

        def holds_for(channel_id)
          @sets[:holds]
            .select { |row| row[:channel_id].nil? || row[:channel_id] == channel_id }
            .map { |row| Core::Signoff::Hold.new(until: row[:until]) }
        end

        def answer(row)
          Core::Signoff::Answer.new(
            **row.slice(:step_id, :person_id, :given_by, :verdict, :fingerprint, :stood, :eligible, :author, :words),
            time: wall_time(row),
            order: row[:order_no],
            at: row[:given_at]
          )
        end

        def asked(row)
          Core::Signoff::Asked.new(
            **row.slice(:step_id, :fingerprint, :places, :people, :due_at),
            order: row[:order_no],
            open: row[:ended_as].nil?,
            at: row[:asked_at],
            time: wall_time(row)
          )
        end

        def wall_time(row)
          row[:wall] && Core::Plan::WallTime.new(row[:wall], row[:zone])
        end

        def ruling(row)
          Core::Signoff::Ruling.new(
            **row.slice(:kind, :step_id, :place_person_id, :fingerprint, :ruled_by),
            order: row[:order_no]
          )
        end
      end
    end
  end
end
