# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Asks the people of one step for their yes to one or many posts, exactly as they stand. What needs no yes at this
      # step (its yes still counts, or it waits at another step) is left out; a post with nothing to ask is refused.
      class SendAsk < Act
        stepwise
        opens :posts, "ask", stand: true

        # @param due_at [Time, nil] by when; nil takes the step's allowed working time from now
        # @param channel_ids [Array<String>, Hash{String=>Array<String>}, nil] only for these channels of the posts, or
        #   of each post by its id; nil for all that need it
        # @return [String] the ask's id
        def call(step_id:, post_ids:, due_at: nil, message: "", channel_ids: nil)
          words = Core::Posts::Text.clean(message, field: "message", limit: Core::Lengths::WORDS)
          reading { enter(lock: false, stand: false) } # nothing is cut for somebody who may not ask
          Media::Render.call(environment, member, post_ids: post_ids)
          write do
            enter
            send_it(step(step_id), due_at, words, channel_ids)
          end
        end

        private

        def step(id)
          raise Core::NotFound, "This step" unless Core::Uuid::FORMAT.match?(id.to_s)

          posts.each_value.flat_map(&:steps).find { |one| one.id == id } or raise Core::NotFound, "This step"
        end

        def send_it(step, due_at, words, channel_ids)
          due = due_for(step, due_at)
          lines = posts.values.to_h { |post| [post, to_ask(post, step, channel_ids)] }
          require_on!(lines.values.flatten)
          places = places(step, lines.values.flatten)
          id = insert(step, places, due, words)
          lines.each { |post, adaptations| insert_line(id, step, post, adaptations) }
          step.side == "client" ? passes(id, places.people) : tell(posts.values, step, places.people)
          refresh_stage(posts.keys)
          id
        end

        def due_for(step, due_at)
          due = due_at || Core::Signoff::Due.after(Store::Clients::Hours.of(workspace), now, step.hours)
          return due if due > now

          raise Core::Invalid.new(
                  "due_past",
                  "The answer cannot be due in the past.",
                  field: "due_at",
                  way_on: "Choose a later time."
                )
        end

        # @raise [Core::Conflict, Core::Invalid] with the sentence for this post
        def to_ask(post, step, channel_ids)
          raise no_channel(post) if post.adaptations.empty?

          chosen = mine(NextAsk.open_at(post, step))
          only = channel_ids.is_a?(Hash) ? channel_ids.fetch(post.id) : channel_ids
          chosen = chosen.select { |adaptation| only.include?(adaptation.row[:channel_id]) } if only
          raise nothing_to_ask(post, step) if chosen.empty?

          fresh = chosen.reject { |adaptation| NextAsk.asked?(adaptation, step) }
          raise asked_already(post, step) if fresh.empty?

          fresh.each { |adaptation| require_sound!(post, adaptation) }
        end

        def no_channel(post)
          Core::Invalid.new(
            "no_channel",
            "“#{title(post)}” has no channel yet.",
            field: "channel_ids",
            way_on: "Choose a channel."
          )
        end

        def asked_already(post, step)
          Core::Conflict.new(
            "asked_already",
            "“#{title(post)}” is already asked at “#{step.name}”, exactly as it stands.",
            field: "step_id",
            way_on: "Wait for the answer, or withdraw that ask first."
          )
        end

        def nothing_to_ask(post, step)
          left = post.adaptations.reject(&:sent?)
          return Core::Channels::Archived.error(left.first.channel) if left.any? && NextAsk.going(post).empty?

          waiting = post.adaptations.filter_map { |adaptation| adaptation.verdict.waits_at&.name }.first
          Core::Conflict.new(
            "nothing_to_ask",
            "“#{title(post)}” needs nothing from “#{step.name}” now.",
            field: "step_id",
            way_on: waiting ? "It waits for “#{waiting}”: ask there." : "It has all its yeses."
          )
        end

        def require_sound!(post, adaptation)
          faults = Core::Checks::PostChecks.faults(adaptation.request, adaptation.channel[:card])
          return if faults.empty?

          raise Core::Invalid.new(
                  "has_faults",
                  "“#{title(post)}” on #{adaptation.channel[:name]}: #{faults.map(&:sentence).join(" ")}",
                  field: faults.first.part,
                  way_on: "Mend it, then ask."
                )
        end

        def places(step, adaptations)
          around = WhoAnswers.new(scope, colleagues, now, member.zone).around(step, adaptations)
          Core::Signoff::Places.of(step, asker: member.person_id, around: around, names: names)
        end

        def insert(step, places, due, words)
          id = new_id
          scope.insert(
            :asks,
            {
              id: id,
              step_id: step.id,
              asked_by: member.person_id,
              asked_at: now,
              due_at: due,
              **Core::Signoff::Escalation.of(Store::Clients::Hours.of(workspace), now, due).to_h,
              message: words,
              room: step.side == "client" ? "client" : "house"
            }
          )
          scope.insert(:ask_people, *places.people.map { |person| { ask_id: id, person_id: person } })
          scope.insert(
            :ask_places,
            *places.to_a.each_with_index.map { |person, number| { ask_id: id, number: number, person_id: person } }
          )
          id
        end

        def insert_line(ask_id, step, post, adaptations)
          EndLines.call(
            environment,
            member,
            adaptation_ids: adaptations.map(&:id),
            as: "outdated",
            pairs: overtaken(step, post, adaptations)
          )
          Posts::FixTags.call(environment, member, adaptations: adaptations)
          revision = Posts::CreateRevision.call(environment, member, post: post)
          line_id = new_id
          scope.insert(:ask_lines, { id: line_id, ask_id: ask_id, post_id: post.id, revision_id: revision[:id] })
          scope.insert(
            :ask_line_adaptations,
            *adaptations.map do |adaptation|
              {
                line_id: line_id,
                adaptation_id: adaptation.id,
                revision_adaptation_id: revision[:adaptations].fetch(adaptation.id)
              }
            end
          )
          rows(:openings).where(adaptation_id: adaptations.map(&:id), closed_at: nil).update(
            closed_at: now,
            closed_by: member.person_id
          )
          record(
            "asked",
            post_id: post.id,
            revision_id: revision[:id],
            facts: {
              step: step.name,
              revision: revision[:number],
              channels: adaptations.map { |one| one.channel[:name] },
              ask: ask_id
            }
          )
        end

        # Open lines about older content, for another day, or at this very step; an ask about exactly this at another
        # step goes on.
        def overtaken(step, post, adaptations)
          adaptations.flat_map do |adaptation|
            post
              .asked_about(adaptation.id)
              .select { |row| row[:ended_as].nil? }
              .reject { |row| row[:step_id] != step.id && asks_this?(row, adaptation) }
              .map { |row| row.values_at(:line_id, :adaptation_id) }
          end
        end

        def asks_this?(row, adaptation)
          row[:fingerprint] == adaptation.fingerprint &&
            adaptation.facts.holds_for?(row[:wall] && Core::Plan::WallTime.new(row[:wall], row[:zone]))
        end

        # The client's people get a mail with their pass; the pass is made when the mail is, so that it stands nowhere
        # else.
        def passes(ask_id, people)
          people.each { |person| environment.queue.ask_mail(member.workspace_id, ask_id, person, at: now) }
        end

        def tell(posts, step, people)
          what = posts.size == 1 ? "“#{title(posts.first)}”" : "#{posts.size} posts"
          People::Notify.call(
            environment,
            member,
            person_ids: people,
            kind: "asked",
            post_id: posts.first.id,
            words: "#{member.name} asks for your yes to #{what} (#{step.name})."
          )
        end

        def title(post)
          post.row[:subject].empty? ? "Untitled" : post.row[:subject]
        end
      end
    end
  end
end
