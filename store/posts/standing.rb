# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # Posts with everything that their verdicts hang on, in a fixed number of queries for any number of posts.
      class Standing
        # One adaptation as it stands: rows, resolved parts, the request as it would be built now, and its verdict.
        Adaptation = Struct.new(:row, :channel, :own, :parts, :request, :fingerprint, :pictures, :authors, :showing, :release, :facts, :verdict,
                                keyword_init: true) do
          def id = row[:id]
          def stage = verdict.stage
          def time = facts.time
          def sent? = showing && %w[sending unclear out].include?(showing[:state])
        end
        Post = Struct.new(:row, :master, :part_rows, :adaptations, :steps, keyword_init: true) do
          def id = row[:id]
          def stage = Core::Signoff::Stages.of_post(adaptations.map(&:stage))
          def adaptation(id) = adaptations.find { |adaptation| adaptation.id == id }
        end

        # @param now [Time]
        # @return [Hash{String=>Post}] by post id, in no order
        def self.load(scope, post_ids, now)
          new(scope, post_ids, now).load
        end

        def initialize(scope, post_ids, now)
          @scope = scope
          @post_ids = post_ids.uniq
          @now = now
        end

        def load
          return {} if @post_ids.empty?

          rows(:posts, :id).to_h { |row| [row[:id], post(row)] }
        end

        private

        def rows(table, key = :post_id)
          @scope.rows(table).where(key => @post_ids).all
        end

        def grouped(table)
          rows(table).group_by { |row| row[:post_id] }
        end

        def post(row)
          parts = all_parts.fetch(row[:id], [])
          master = parts.select { |part| part[:channel_id].nil? }.to_h { |part| [part[:part], part[:value]] }
          steps = Core::Signoff::Demand.of(route, asked_steps.fetch(row[:id], []), dropped.fetch(row[:id], []))
          Post.new(row: row, master: Core::Posts::Parts.resolve(master, {}), part_rows: parts, steps: steps,
                   adaptations: all_adaptations.fetch(row[:id], []).map { |one| adaptation(one, master, parts, steps) })
        end

        def adaptation(row, master, part_rows, steps)
          channel = channels.fetch(row[:channel_id])
          own = part_rows.select { |part| part[:channel_id] == row[:channel_id] }.to_h { |part| [part[:part], part[:value]] }
          parts = Core::Posts::Parts.resolve(master, own)
          showing = showings[row[:id]]
          release = live_releases[row[:id]]
          pictures = pictures_for(parts["media"], channel)
          request = request_for(parts, channel, pictures, showing, release)
          fingerprint = Core::Posts::Fingerprint.of(request)
          facts = facts(row, parts, fingerprint, steps, showing, release)
          Adaptation.new(row: row, channel: channel, own: own, parts: parts, request: request, fingerprint: fingerprint, pictures: pictures,
                         authors: authors(part_rows, own, row[:channel_id]), showing: showing, release: release, facts: facts,
                         verdict: Core::Signoff::Verdict.call(facts, @now))
        end

        # From sending on, nothing follows the master: what is shown is what was sent.
        def request_for(parts, channel, pictures, showing, release)
          return release[:request] if release && showing && %w[sending unclear out].include?(showing[:state])

          Core::Posts::Request.build(parts: parts, account: channel[:account], card: channel[:card],
                                     pictures: pictures.to_h { |picture| [picture[:media_id], picture[:digest]] })
        end

        def facts(row, parts, fingerprint, steps, showing, release)
          time = parts["time"] && Core::Plan::WallTime.parse(parts["time"]["wall"], parts["time"]["zone"])
          Core::Signoff::Facts.new(
            steps: steps, fingerprint: fingerprint, time: time, policy: workspace[:time_policy],
            opened: openings.key?(row[:id]), ready: ready[row[:id]], asked: asked.fetch(row[:id], []), answers: answers.fetch(row[:id], []),
            rulings: rulings.fetch(row[:id], []), holds: holds_for(row[:channel_id]),
            released: release && { fingerprint: release[:fingerprint], time: Core::Plan::WallTime.new(release[:wall], release[:zone]) },
            showing: showing && showing[:state]
          )
        end

        def authors(part_rows, own, channel_id)
          part_rows.select { |part| part[:channel_id] == channel_id || (part[:channel_id].nil? && !own.key?(part[:part])) }
                   .reject { |part| part[:part] == "time" }.flat_map { |part| part[:authors].to_a }.uniq
        end

        def pictures_for(media_ids, channel)
          media_ids.filter_map { |id| media[id] }.map do |row|
            spec = Core::Media::Framing.for(row[:width], row[:height], channel[:card].fetch("media"))
            rendition = renditions[[row[:id], spec]]
            { media_id: row[:id], spec: spec, rendition_id: rendition && rendition[:id], digest: rendition && rendition[:digest],
              lost: Core::Media::Framing.lost(row[:width], row[:height], spec["crop"]) }
          end
        end

        def workspace = @workspace ||= @scope.db[:workspaces].where(id: @scope.workspace_id).first
        def route = @route ||= Signoff::Routes.today(@scope)
        def all_parts = @all_parts ||= grouped(:parts)
        def channels = @channels ||= @scope.rows(:channels).to_hash(:id)
        def answers = @answers ||= rows(:answers).group_by { |row| row[:adaptation_id] }.transform_values { |list| list.map { |row| answer(row) } }
        def dropped = @dropped ||= rulings_all.select { |row| row[:kind] == "drop" }.group_by { |row| row[:post_id] }.transform_values { |list| list.map { |row| row[:step_id] } }
        def rulings_all = @rulings_all ||= rows(:rulings)
        def holds = @holds ||= @scope.rows(:holds).where(lifted_at: nil).all
        def media_ids = @media_ids ||= all_parts.values.flatten.select { |part| part[:part] == "media" }.flat_map { |part| part[:value] }.uniq
        def media = @media ||= media_ids.empty? ? {} : @scope.rows(:media).where(id: media_ids).to_hash(:id)
        def openings = @openings ||= @scope.rows(:openings).where(post_id: @post_ids, closed_at: nil).to_hash(:adaptation_id)
        def showings = @showings ||= rows(:showings).group_by { |row| row[:adaptation_id] }.transform_values { |list| list.max_by { |row| row[:number] } }

        def all_adaptations
          @all_adaptations ||= rows(:adaptations).reject { |row| row[:removed_at] }
                                                 .sort_by { |row| [channels.fetch(row[:channel_id])[:position], row[:id]] }.group_by { |row| row[:post_id] }
        end

        def renditions
          @renditions ||= media_ids.empty? ? {} : @scope.rows(:renditions).where(media_id: media_ids).to_h { |row| [[row[:media_id], row[:spec]], row] }
        end

        def live_releases
          @live_releases ||= @scope.rows(:releases).where(Sequel[:releases][:post_id] => @post_ids, ended_at: nil)
                                   .join(:revision_adaptations, workspace_id: :workspace_id, id: :revision_adaptation_id)
                                   .select_all(:releases).select_append(:request, :rendition_ids, :revision_id).to_hash(:adaptation_id)
        end

        def ready
          @ready ||= rows(:ready_marks).group_by { |row| row[:adaptation_id] }.transform_values { |list| list.max_by { |row| row[:id] }[:fingerprint] }
        end

        def rulings
          @rulings ||= rulings_all.group_by { |row| row[:adaptation_id] }.transform_values do |list|
            list.map { |row| Core::Signoff::Ruling.new(**row.slice(:kind, :step_id, :place_person_id, :fingerprint), order: row[:order_no]) }
          end
        end

        def holds_for(channel_id)
          holds.select { |row| row[:channel_id].nil? || row[:channel_id] == channel_id }.map { |row| Core::Signoff::Hold.new(until: row[:until]) }
        end

        def answer(row)
          Core::Signoff::Answer.new(**row.slice(:step_id, :person_id, :verdict, :fingerprint, :eligible, :author, :words),
                                    time: row[:wall] && Core::Plan::WallTime.new(row[:wall], row[:zone]), order: row[:order_no], at: row[:given_at])
        end

        def asked_rows
          @asked_rows ||= @scope.rows(:ask_lines).where(Sequel[:ask_lines][:post_id] => @post_ids)
                                .join(:ask_line_adaptations, workspace_id: Sequel[:ask_lines][:workspace_id], line_id: Sequel[:ask_lines][:id])
                                .join(:revision_adaptations, workspace_id: Sequel[:ask_lines][:workspace_id],
                                                             id: Sequel[:ask_line_adaptations][:revision_adaptation_id])
                                .join(:asks, workspace_id: Sequel[:ask_lines][:workspace_id], id: Sequel[:ask_lines][:ask_id])
                                .select(Sequel[:ask_lines][:post_id], Sequel[:ask_line_adaptations][:adaptation_id], :ask_id, :step_id, :order_no,
                                        :fingerprint, :asked_at, :due_at, Sequel[:ask_line_adaptations][:ended_as]).all
        end

        def asked
          @asked ||= asked_rows.group_by { |row| row[:adaptation_id] }.transform_values do |list|
            list.map do |row|
              Core::Signoff::Asked.new(step_id: row[:step_id], fingerprint: row[:fingerprint], order: row[:order_no], open: row[:ended_as].nil?,
                                       places: ask_places.fetch(row[:ask_id], []), people: ask_people.fetch(row[:ask_id], []),
                                       at: row[:asked_at], due_at: row[:due_at])
            end
          end
        end

        def asked_steps
          @asked_steps ||= begin
            by_id = Signoff::Routes.by_ids(@scope, asked_rows.map { |row| row[:step_id] }.uniq).to_h { |step| [step.id, step] }
            asked_rows.group_by { |row| row[:post_id] }.transform_values { |list| list.map { |row| by_id.fetch(row[:step_id]) }.uniq(&:id) }
          end
        end

        def ask_ids = asked_rows.map { |row| row[:ask_id] }.uniq
        def ask_places = @ask_places ||= @scope.rows(:ask_places).where(ask_id: ask_ids).order(:number).select_hash_groups(:ask_id, :person_id)
        def ask_people = @ask_people ||= @scope.rows(:ask_people).where(ask_id: ask_ids).order(:person_id).select_hash_groups(:ask_id, :person_id)
      end
    end
  end
end
