# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      module Sheet
        # Sign-off beside a post: what can be asked next, what is asked, of the reader and of others, and what was said.
        class Signoff
          # @param reading [Reading]
          # @return [Hash] JSON-ready
          def self.of(reading) = new(reading).to_h

          def initialize(reading)
            @reading = reading
            @post = reading.post
          end

          def to_h
            {
              route: route,
              next_ask: offer_json(App::Signoff::NextAsk.of(@post)),
              ready_next: ready_next?,
              other_asks: App::Signoff::NextAsk.beside(@post).filter_map { |offer| offer_json(offer) },
              my_ask: my_ask,
              asks: asks,
              answers: answers,
              left_blocks: left_blocks,
              own_words: own_words
            }
          end

          private

          # The way that it goes, and whose choice that was.
          def route
            row = @post.route
            by = @post.row[:route_id] ? "post" : "client"
            by = "campaign" if by == "client" && !row[:is_default] && row[:id]
            { id: row[:id], name: row[:name], by: by, releases_itself: row[:releases_itself] }
          end

          def member = @reading.member
          def names = @reading.names
          def now = @reading.now
          def rows(set) = @reading.rows(set)

          # Whom an ask would go to, about which of the reader's channels, and by when.
          def offer_json(offer)
            due = offer ? @reading.mine(offer.adaptations) : []
            return if due.empty?

            step = offer.step
            asked, off = places(step, due)
            channels = due.map { |one| channel_json(one) }
            {
              step_id: step.id,
              name: step.name,
              side: step.side,
              hours: step.hours,
              required: step.required,
              people: asked,
              off: off || in_the_way(channels),
              **dues(step),
              channels: channels
            }
          end

          # A channel with a fault in the way waits; the others need not wait for it.
          def channel_json(adaptation)
            faults = Core::Checks::PostChecks.faults(adaptation.request, adaptation.channel[:card]).map(&:sentence)
            { **adaptation.channel.slice(:id, :name), off: faults.any? ? faults.join(" ") : nil }
          end

          def in_the_way(channels)
            Core::Signoff::NotAsked.in_the_way(channels.map { |one| [one[:name], [one[:off]].compact] })
          end

          # With no step to pass, somebody says instead that it is ready.
          def ready_next?
            @post.stage == "drafting" && MarkReady.refusal(@post, @reading.shown).nil?
          end

          # The route's own time, and others to choose from.
          def dues(step)
            choices = Core::Signoff::Due.choices(hours, now, step.hours)
            {
              due_at: Core::Signoff::Due.after(hours, now, step.hours).iso8601,
              dues: choices.map { |choice| choice.merge(at: choice[:at].iso8601) }
            }
          end

          # @return [Array(Array<String>, String)] names of those who would be asked, and why it cannot be asked
          def places(step, due)
            around = who_answers.around(step, due)
            people = Core::Signoff::Places.of(step, asker: member.person_id, around: around, names: names).people
            [people.filter_map { |id| names[id] }.sort, nil]
          rescue Core::Invalid => e
            [[], "#{e.message} #{e.way_on}"]
          end

          def who_answers
            @who_answers ||= App::Signoff::WhoAnswers.new(@reading.scope, @reading.members, now, member.zone)
          end

          def hours
            @hours ||= Store::Clients::Hours.of(@reading.workspace)
          end

          def my_ask
            mine = rows(:open_lines).select { |one| one[:people].include?(member.person_id) }
            line = mine.find { |one| asked_of_me(one).any? } or return
            shown = asked_of_me(line)
            given = given_by_me(line[:step_id], shown.keys)
            {
              line_id: line[:line_id],
              step: @reading.step_name(line[:step_id]),
              shown: shown,
              seen: given.map { |row| row[:order_no] }.max || 0,
              answered: given.any? { |row| row[:line_id] == line[:line_id] },
              message: line[:message],
              asked_by: names[line[:asked_by]],
              due_at: line[:due_at].iso8601,
              four_eyes: four_eyes(line)
            }
          end

          # What the reader has said at this step about what is asked, whenever.
          def given_by_me(step_id, adaptation_ids)
            rows(:mine).select { |row| row[:step_id] == step_id && adaptation_ids.include?(row[:adaptation_id]) }
          end

          # @return [Hash{String=>String}] adaptation id => fingerprint, of what is still asked on the reader's channels
          def asked_of_me(line)
            mine = @reading.shown.map(&:id)
            @post
              .asked_on(line[:line_id])
              .select { |row| row[:ended_as].nil? && mine.include?(row[:adaptation_id]) }
              .to_h { |row| row.values_at(:adaptation_id, :fingerprint) }
          end

          # Whoever wrote part of what is asked is told so before they try.
          def four_eyes(line)
            step = @post.steps.find { |one| one.id == line[:step_id] }
            step&.four_eyes && @post.adaptations.any? { |one| one.authors.include?(member.person_id) }
          end

          def asks
            passes = rows(:passes).group_by { |row| row[:ask_id] }
            rows(:open_lines).map do |line|
              {
                id: line[:ask_id],
                step: @reading.step_name(line[:step_id]),
                asked_by: names[line[:asked_by]],
                asked_at: line[:asked_at].iso8601,
                due_at: line[:due_at].iso8601,
                posts: line[:posts],
                reminded_at: line[:reminded_at]&.iso8601,
                people: line[:people].map { |id| names[id] }.sort,
                places: places_left(line),
                passes: passes_json(passes.fetch(line[:ask_id], []))
              }
            end
          end

          # Whose yes is still missing there, as far as somebody may decide beside them.
          def places_left(line)
            standings = @reading.shown.filter_map { |one| step_state(one, line[:step_id]) }
            places = standings.flat_map(&:open_places).uniq
            people = line[:people].map { |id| { id: id, name: names[id] } }.sort_by { |one| one[:name] }
            {
              step_id: line[:step_id],
              people: people,
              named: places.compact.map { |id| { id: id, name: names[id] } },
              open: places.include?(nil),
              last: standings.any? { |one| one.places.size < 2 },
              nobody: for_nobody?(line)
            }
          end

          # Steps at which the reader rules on nothing, since they wrote part of it, and who can.
          def own_words
            going = @reading.shown.reject(&:sent?)
            authors = going.flat_map(&:authors).uniq
            eyes = Core::Signoff::FourEyes
            @post
              .steps
              .select { |step| eyes.bars?(step, authors, [member.person_id]) }
              .map { |step| { step_id: step.id, way_on: eyes.way_on(eyes.who_can(authors, @reading.members)) } }
          end

          # Whoever was asked cannot answer any more, or too few of them.
          def for_nobody?(line)
            @reading.shown.any? { |one| one.waits_for_nobody && step_state(one, line[:step_id])&.open_ask }
          end

          # What blocks, of somebody who is not here any more: it can be set aside.
          def left_blocks
            @reading
              .shown
              .reject(&:sent?)
              .flat_map { |one| one.verdict.blocks }
              .reject { |block| here_now.include?(block.person_id) }
              .map { |block| { step_id: block.step_id, person_id: block.person_id, name: names[block.person_id] } }
              .uniq
          end

          def step_state(adaptation, step_id) = adaptation.verdict.steps.find { |one| one.step.id == step_id }

          def passes_json(passes)
            passes
              .map { |pass| { id: pass[:id], person: names[pass[:person_id]], expires_at: pass[:expires_at].iso8601 } }
              .sort_by { |pass| pass[:person] }
          end

          # One entry for what a person said once, whichever channels it was kept for.
          def answers
            rows(:answers)
              .group_by { |row| [row[:line_id], row[:person_id], row[:given_at]] }
              .values
              .map { |together| answer_json(together) }
          end

          def answer_json(together)
            first = together.first
            {
              id: first[:id],
              person: names[first[:person_id]],
              step: @reading.step_name(first[:step_id]),
              verdict: first[:verdict],
              words: first[:words],
              for_them: first[:given_by] == first[:person_id] ? nil : names[first[:given_by]],
              file_id: first[:file_id],
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

            return "#{first} has left since; it was set aside." if set_aside?(answer)

            "#{first} has left since; it blocks until this step is asked again about other content, or is set aside " \
              "on record."
          end

          def set_aside?(answer)
            @post.adaptations.any? do |one|
              one.facts.rulings.any? do |ruling|
                ruling.kind == "set_aside" && ruling.place_person_id == answer[:person_id] &&
                  ruling.step_id == answer[:step_id] && ruling.order > answer[:order_no]
              end
            end
          end

          def here_now = @here_now ||= rows(:here).to_set { |row| row[:person_id] }
          def revision_numbers = @revision_numbers ||= rows(:asked).to_h { |row| row.values_at(:line_id, :number) }
        end
      end
    end
  end
end
