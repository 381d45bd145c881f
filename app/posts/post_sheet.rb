# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Everything that the post sheet shows to the agency side, with what the reader may do.
      class PostSheet < Act
        opens :post, "see_post", gate: false, stand: true

        # @return [Hash] JSON-ready
        def call(post_id:)
          @post = post
          {
            id: @post.id,
            workspace_id: member.workspace_id,
            zone: workspace[:zone],
            time_policy: workspace[:time_policy],
            subject: @post.row[:subject],
            subject_version: @post.row[:subject_version],
            owner: names[@post.row[:owner_id]],
            stage: @post.stage,
            revision: rows(:revisions).where(post_id: @post.id).max(:number),
            strip: Signoff::Strip.of_post(@post, names),
            master: master,
            adaptations: adaptations,
            channels: channels,
            sets: sets,
            other_channels: other_channels,
            media: media,
            next_ask: offer_json(Signoff::NextAsk.of(@post)),
            other_asks: other_asks,
            my_ask: my_ask,
            asks: asks,
            answers: answers,
            tasks: tasks,
            people: people,
            remarks: remarks,
            holds: holds,
            note: @post.row[:note],
            note_version: @post.row[:note_version],
            labels: labels,
            campaign: campaign,
            reminders: reminders,
            currency: workspace[:currency],
            looked_at: Core::Checks::LookedAt::ALL.map { |name, codes| { name: name, codes: codes } },
            known: known,
            can: can
          }
        end

        private

        def members
          @members ||= colleagues
        end

        def part_row(channel_id, part)
          @post.part_rows.find { |row| row[:channel_id] == channel_id && row[:part] == part }
        end

        def parts_json(channel_id, values)
          Core::Posts::Parts::ALL.to_h do |part|
            row = part_row(channel_id, part)
            [
              part,
              {
                value: values[part],
                own: !row.nil?,
                version: row ? row[:version] : 0,
                by: row && names[row[:written_by]],
                off: allowed.off(channel_id, part)
              }
            ]
          end
        end

        def allowed
          @allowed ||= Allowed.new(member, members, @post, shown, now)
        end

        def master
          { parts: parts_json(nil, @post.master), count: @post.master["text"].grapheme_clusters.size }
        end

        def adaptations
          shown.map do |adaptation|
            channel_id = adaptation.row[:channel_id]
            AdaptationView.call(
              adaptation,
              names,
              condition: conditions[channel_id],
              off: allowed.column_off(adaptation),
              stays: allowed.stays(adaptation),
              seen: seen.of(adaptation)
            ).merge(parts: parts_json(channel_id, adaptation.parts), own_text: own_text(adaptation))
          end
        end

        def seen
          @seen ||= SeenAround.new(scope, @post, shown, workspace)
        end

        # An own text beside the master's: word by word, and whether the master has been changed since.
        def own_text(adaptation)
          own = part_row(adaptation.row[:channel_id], "text") or return
          master = part_row(nil, "text")
          runs = Core::Posts::WordDiff.runs(@post.master["text"], own[:value].to_s)
          { stale: !master.nil? && master[:written_at] > own[:written_at], runs: runs.map(&:to_h) }
        end

        # A member whose part is limited to channels sees these columns.
        def shown
          @shown ||= mine(@post.adaptations)
        end

        def conditions
          @conditions ||= Store::Channels::Conditions.of(scope, now).to_h { |row| [row[:id], row[:condition]] }
        end

        def channels
          theirs = rows(:channels).where(archived_at: nil)
          theirs = theirs.where(id: member.limited_to) if member.limited_to
          theirs.order(:position).map { |row| row.slice(:id, :name, :network, :initials, :account, :state) }
        end

        def sets
          Store::Channels::Sets.of(scope).map { |row| row.slice(:id, :name, :channel_ids) }
        end

        def other_channels
          @post.adaptations.size - shown.size
        end

        def media
          ids =
            ([@post.master] + shown.map(&:parts))
              .flat_map { |parts| [*parts["media"], Core::Posts::Link.picture(parts["link"])] }
              .compact
              .uniq
          rows(:media)
            .where(id: ids)
            .to_h do |row|
              [
                row[:id],
                row.slice(:name, :kind, :mime, :width, :height, :duration_ms, :pages).merge(by: names[row[:added_by]])
              ]
            end
        end

        def other_asks
          Signoff::NextAsk.beside(@post).filter_map { |offer| offer_json(offer) }
        end

        # Whom an ask would go to, about which of the reader's channels, and by when.
        def offer_json(offer)
          due = offer ? mine(offer.adaptations) : []
          return if due.empty?

          step = offer.step
          people, off = places(step, due)
          {
            step_id: step.id,
            name: step.name,
            side: step.side,
            hours: step.hours,
            required: step.required,
            people: people,
            off: off,
            due_at: hours.add(now, step.hours * 60).iso8601,
            channels: due.map { |adaptation| adaptation.channel.slice(:id, :name) }
          }
        end

        # @return [Array(Array<String>, String)] names of those who would be asked, and why it cannot be asked
        def places(step, due)
          around = (@who_answers ||= Signoff::WhoAnswers.new(scope, members, now, member.zone)).around(step, due)
          [
            Core::Signoff::Places
              .of(step, asker: member.person_id, around: around, names: names)
              .people
              .filter_map { |id| names[id] }
              .sort,
            nil
          ]
        rescue Core::Invalid => e
          [[], "#{e.message} #{e.way_on}"]
        end

        def hours
          @hours ||= Store::Clients::Hours.of(workspace)
        end

        def open_lines
          @open_lines ||=
            rows(:ask_lines)
              .where(:post_id => @post.id, Sequel[:ask_lines][:ended_at] => nil)
              .join(:asks, workspace_id: :workspace_id, id: :ask_id)
              .select(Sequel[:ask_lines][:id].as(:line_id), :ask_id, :step_id, :asked_by, :asked_at, :due_at, :message)
              .all
        end

        def my_ask
          mine =
            rows(:ask_people).where(
              ask_id: open_lines.map { |line| line[:ask_id] },
              person_id: member.person_id
            ).select_map(:ask_id)
          line = open_lines.find { |one| mine.include?(one[:ask_id]) && asked_of_me(one).any? } or return
          shown = asked_of_me(line)
          given =
            rows(:answers).where(
              post_id: @post.id,
              step_id: line[:step_id],
              person_id: member.person_id,
              adaptation_id: shown.keys
            ).select_map(%i[order_no line_id])
          {
            line_id: line[:line_id],
            step: step_name(line[:step_id]),
            shown: shown,
            seen: given.map(&:first).max || 0,
            answered: given.any? { |_, on| on == line[:line_id] },
            message: line[:message],
            asked_by: names[line[:asked_by]],
            due_at: line[:due_at].iso8601,
            four_eyes: four_eyes(line)
          }
        end

        # @return [Hash{String=>String}] adaptation id => fingerprint, of what is still asked on the reader's channels
        def asked_of_me(line)
          mine = shown.map(&:id)
          @post
            .asked_on(line[:line_id])
            .select { |row| row[:ended_as].nil? && mine.include?(row[:adaptation_id]) }
            .to_h { |row| row.values_at(:adaptation_id, :fingerprint) }
        end

        # Whoever wrote part of what is asked is told so before they try.
        def four_eyes(line)
          step = @post.steps.find { |one| one.id == line[:step_id] }
          step&.four_eyes && @post.adaptations.any? { |adaptation| adaptation.authors.include?(member.person_id) }
        end

        def asks
          ids = open_lines.map { |line| line[:ask_id] }
          passes = rows(:guest_passes).where(ask_id: ids, revoked_at: nil).all.group_by { |row| row[:ask_id] }
          people = rows(:ask_people).where(ask_id: ids).select_hash_groups(:ask_id, :person_id)
          open_lines.map do |line|
            {
              id: line[:ask_id],
              step: step_name(line[:step_id]),
              asked_by: names[line[:asked_by]],
              asked_at: line[:asked_at].iso8601,
              due_at: line[:due_at].iso8601,
              people: people.fetch(line[:ask_id], []).map { |id| names[id] }.sort,
              passes: passes_json(passes.fetch(line[:ask_id], []))
            }
          end
        end

        def passes_json(passes)
          passes
            .map { |pass| { id: pass[:id], person: names[pass[:person_id]], expires_at: pass[:expires_at].iso8601 } }
            .sort_by { |pass| pass[:person] }
        end

        def step_name(id)
          @post.steps.find { |step| step.id == id }&.name || "dropped step"
        end

        # One entry for what a person said once, whichever channels it was kept for.
        def answers
          given = rows(:answers).where(post_id: @post.id)
          given = given.where(adaptation_id: shown.map(&:id)) if member.limited_to
          given = given.order(Sequel.desc(:order_no)).limit(60).all
          given
            .group_by { |row| [row[:line_id], row[:person_id], row[:given_at]] }
            .values
            .map { |together| answer_json(together) }
        end

        def answer_json(together)
          first = together.first
          {
            id: first[:id],
            person: names[first[:person_id]],
            step: step_name(first[:step_id]),
            verdict: first[:verdict],
            words: first[:words],
            room: first[:room],
            at: first[:given_at].iso8601,
            revision: revision_numbers[first[:line_id]],
            by_pass: !first[:pass_id].nil?,
            holds: holds_since(first),
            channels: together.filter_map { |row| @post.adaptation(row[:adaptation_id])&.channel&.fetch(:name) }
          }
        end

        # What holds of an answer whose giver's membership has ended since.
        def holds_since(answer)
          return unless answer[:eligible] && !here_now.include?(answer[:person_id])

          first = names[answer[:person_id]].split.first
          if answer[:verdict] == "yes"
            return "#{first} has left since; the yes was given by somebody who could give it then, and counts."
          end

          "#{first} has left since; it blocks until this step is asked again about other content."
        end

        def here_now
          @here_now ||= rows(:memberships).where(Store::People::Members.current(now)).select_map(:person_id).to_set
        end

        # @return [Hash] line id => number of the revision that it asked about
        def revision_numbers
          @revision_numbers ||=
            rows(:ask_lines)
              .where(Sequel[:ask_lines][:post_id] => @post.id)
              .join(:revisions, workspace_id: :workspace_id, id: :revision_id)
              .select_hash(Sequel[:ask_lines][:id], :number)
        end

        def tasks
          rows(:tasks)
            .where(post_id: @post.id)
            .order(:due_at)
            .map do |row|
              {
                id: row[:id],
                kind: row[:kind],
                title: row[:title],
                note: row[:note],
                person: names[row[:person_id]],
                mine: row[:person_id] == member.person_id,
                due_at: row[:due_at].iso8601,
                done_at: row[:done_at]&.iso8601,
                done_by: names[row[:done_by]]
              }
            end
        end

        def people
          makers = members.select { |one| one.side == "agency" && one.abilities.include?("work") }
          makers.map { |one| { id: one.person_id, name: one.name, role: one.role } }
        end

        def remarks
          rows(:remarks)
            .where(post_id: @post.id)
            .order(:said_at)
            .map do |row|
              {
                id: row[:id],
                room: row[:room],
                person: names[row[:person_id]],
                words: row[:words],
                at: row[:said_at].iso8601
              }
            end
        end

        def holds
          holds = rows(:holds).where(lifted_at: nil)
          holds = holds.where(Sequel.|({ channel_id: nil }, { channel_id: member.limited_to })) if member.limited_to
          holds.map do |row|
            {
              id: row[:id],
              channel_id: row[:channel_id],
              reason: row[:reason],
              by: names[row[:put_by]],
              at: row[:put_at].iso8601
            }
          end
        end

        def labels
          rows(:post_labels)
            .where(post_id: @post.id)
            .join(:labels, workspace_id: Sequel[:post_labels][:workspace_id], id: :label_id)
            .order(Sequel[:labels][:name])
            .select_map(Sequel[:labels][:name])
        end

        def campaign
          @post.row[:campaign_id] && rows(:campaigns).where(id: @post.row[:campaign_id]).get(:name)
        end

        def reminders
          Store::Checks::Reminders
            .of_post(scope, @post.id)
            .map { |row| row.merge(ticked_by: names[row[:ticked_by]], ticked_at: row[:ticked_at]&.iso8601) }
        end

        # What can be chosen instead of typed.
        def known
          {
            labels: rows(:labels).order(Sequel.function(:lower, :name)).select_map(:name),
            campaigns: rows(:campaigns).order(Sequel.desc(:id)).limit(200).select_map(:name)
          }
        end

        def can
          allowed.acts
        end
      end
    end
  end
end
