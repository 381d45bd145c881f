# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What a guest sees of their ask: each post as it will appear, out of the revision that was shared, never from
      # live parts. Adaptations that differ only in their account are shown as one.
      class Review < Act
        opens :own_ask, nil

        def call
          ask = row
          told = lines(ask)
          tell_withdrawn(ask, told)
          {
            client: workspace[:name],
            edge: workspace[:edge],
            me: member.name,
            asked_by: names[ask[:asked_by]],
            message: ask[:message],
            zone: workspace[:zone],
            due_at: ask[:due_at].iso8601,
            withdrawn: !ask[:withdrawn_at].nil?,
            lines: told
          }
        end

        private

        # From now on a withdrawal is known to somebody, and cannot be taken back unseen.
        def tell_withdrawn(ask, told)
          gone = ask[:withdrawn_at] || told.any? { |line| line[:ended] == "withdrawn" }
          return if !gone || member.looking || ask[:told_withdrawn_at]

          rows(:asks).where(id: ask[:id]).update(told_withdrawn_at: now)
        end

        def lines(ask)
          found = rows(:ask_lines).where(ask_id: ask[:id]).order(:id).all
          shown =
            AskedRows
              .of(scope, found.map { |line| line[:id] })
              .group_by { |row| row[:line_id] }
              .transform_values { |rows| StillAsked.of(rows) }
          answers(found, ask)
          talk =
            rows(:remarks)
              .where(post_id: found.map { |line| line[:post_id] }, room: "client")
              .order(:said_at)
              .all
              .group_by { |row| row[:post_id] }
          @sizes =
            rows(:renditions).where(id: shown.values.flatten.flat_map { |row| row[:rendition_ids].to_a }.uniq).to_hash(
              :id,
              %i[width height]
            )
          reasons(ask, shown.values.flatten.map { |one| one[:adaptation_id] })
          found
            .map { |line| line_json(line, shown.fetch(line[:id], []), talk.fetch(line[:post_id], [])) }
            .sort_by { |line| [line[:wall] || "9999", line[:id]] }
        end

        # One's own answers at this step to these posts, on whichever line: an older link knows what was said on a
        # newer one.
        def answers(lines, ask)
          given =
            rows(:answers)
              .where(post_id: lines.map { |line| line[:post_id] }, step_id: ask[:step_id], person_id: member.person_id)
              .order(:order_no)
              .all
          @given = given.group_by { |row| row[:line_id] }
          @seen = given.group_by { |row| row[:adaptation_id] }.transform_values { |own| own.last[:order_no] }
        end

        def line_json(line, shown, talk)
          last = @given.fetch(line[:id], []).last
          {
            id: line[:id],
            ended: ended(line, shown),
            wall: shown.filter_map { |row| row[:wall] }.min&.strftime("%Y-%m-%dT%H:%M"),
            shown: shown.to_h { |row| [row[:adaptation_id], row[:fingerprint]] },
            seen: @seen.values_at(*shown.map { |row| row[:adaptation_id] }).compact.max || 0,
            verdict: last && last[:verdict],
            words: last ? last[:words] : "",
            ways: ways(shown),
            talk: talk.map { |row| remark_json(row) }
          }
        end

        # What was taken off the person's list is said as what it is: the whole ask, one post that is being changed,
        # or a step that nobody needs any more.
        def ended(line, shown)
          return line[:ended_as] unless line[:ended_as] == "withdrawn" && row[:withdrawn_at].nil?

          ids = shown.map { |one| one[:adaptation_id] }
          return "opened" if @being_changed.intersect?(ids)

          @skipped.intersect?(ids) ? "skipped" : "withdrawn"
        end

        def reasons(ask, ids)
          @being_changed =
            rows(:openings).where(adaptation_id: ids).where { opened_at >= ask[:asked_at] }.select_map(:adaptation_id)
          @skipped =
            rows(:rulings).where(adaptation_id: ids, step_id: ask[:step_id], kind: "skip").select_map(:adaptation_id)
        end

        def remark_json(row)
          {
            person: names[row[:person_id]],
            words: row[:words],
            at: row[:said_at].iso8601,
            mine: row[:person_id] == member.person_id
          }
        end

        # With its size as it will be sent, so that its place is kept while it loads.
        def picture_json(file, id)
          width, height = @sizes.fetch(id)
          {
            id: id,
            kind: file.fetch("kind", "picture"),
            description: file["description"],
            width: width,
            height: height
          }
        end

        # Two adaptations are one way only if their time and all but the account are equal.
        def ways(shown)
          shown
            .group_by do |row|
              [row[:request].except("account"), row[:wall], row[:zone], Core::Channels::Card.read(row[:card]).text.fold]
            end
            .map do |_, group|
              first = group.first
              text = first[:request]["text"]
              rule = Core::Channels::Card.read(first[:card]).text
              {
                channels: group.map { |row| { network: row[:network], initials: row[:initials], name: row[:channel] } },
                adaptation_ids: group.map { |row| row[:adaptation_id] },
                text: text,
                fold: rule.fold && Core::Checks::Counting.within(text, rule, rule.fold),
                wall: first[:wall]&.strftime("%Y-%m-%dT%H:%M"),
                zone: first[:zone],
                link: first[:request]["link"],
                beside: Posts::Beside.of(first[:request], first[:rendition_ids].to_a),
                pictures:
                  first[:request]["media"].zip(first[:rendition_ids].to_a).map { |file, id| picture_json(file, id) }
              }
            end
        end
      end
    end
  end
end
