# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What a guest sees of their ask: each post as it will appear, out of the revision that was shared, never from
      # live parts.
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
            now: now.iso8601, # the phone's own clock may be wrong
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
            Store::Signoff::AskedRows
              .of(scope, found.map { |line| line[:id] })
              .group_by { |row| row[:line_id] }
              .transform_values { |rows| StillAsked.of(rows) }
          answers(found, ask)
          talk =
            rows(:remarks)
              .where(post_id: found.map { |line| line[:post_id] }, room: "client", deleted_at: nil)
              .order(:said_at)
              .all
              .group_by { |row| row[:post_id] }
          @variants = ReviewVariants.new(scope, member.person_id, shown.values.flatten)
          others(found, ask)
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

        # What the others said who are asked for the same place.
        def others(lines, ask)
          @others =
            rows(:answers)
              .where(line_id: lines.map { |line| line[:id] }, step_id: ask[:step_id])
              .exclude(person_id: member.person_id)
              .order(:order_no)
              .all
              .group_by { |row| row[:line_id] }
        end

        def others_json(line, shown)
          prints = shown.map { |row| row[:fingerprint] }
          @others
            .fetch(line[:id], [])
            .select { |row| prints.include?(row[:fingerprint]) }
            .group_by { |row| row[:person_id] }
            .map do |person, said|
              { person: names[person], verdict: said.last[:verdict], at: said.last[:given_at].iso8601 }
            end
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
            by: in_name(last),
            at: last && last[:given_at].iso8601,
            variants: @variants.of(shown),
            others: others_json(line, shown),
            talk: talk.map { |row| remark_json(row) }
          }
        end

        # @return [String, nil] the colleague who gave the person's last answer in their name
        def in_name(answer)
          names[answer[:given_by]] if answer && answer[:given_by] != member.person_id
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

        # A spot or an area of a picture, in thousandths of it as it goes out.
        def spot(pin)
          pin.to_h.slice("adaptation_id", "media_id", "x", "y", "width", "height") if pin && pin["kind"] == "spot"
        end

        def remark_json(row)
          {
            person: names[row[:person_id]],
            words: row[:words],
            at: row[:said_at].iso8601,
            mine: row[:person_id] == member.person_id,
            about: row[:pin] && row[:pin]["exact"],
            spot: spot(row[:pin]),
            instead: row[:replacement]
          }
        end
      end
    end
  end
end
