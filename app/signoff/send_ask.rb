# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Asks the people of one step for their yes to one or many posts, exactly as they stand. What needs no yes at this
      # step (its yes still counts, or it waits at another step) is left out; a post with nothing to ask is refused.
      class SendAsk < Act
        stepwise

        # @param due_at [Time, nil] by when; nil takes the step's allowed working time from now
        # @param channel_ids [Array<String>, nil] only for these channels of the posts; nil for all that need it
        # @return [String] the ask's id
        def call(step_id:, post_ids:, due_at: nil, message: "", channel_ids: nil)
          require_ability!("ask")
          words = Core::Posts::Text.clean(message, field: "message", limit: 4_000)
          Media::Render.call(kit, member, post_ids: post_ids.select { |id| Core::Uuid::FORMAT.match?(id.to_s) })
          write do
            posts = locked(post_ids)
            step = Store::Signoff::Routes.by_ids(scope, [fetch(:route_steps, step_id, "This step")[:id]]).first
            due = due_for(step, due_at)
            lines = posts.values.to_h { |post| [post, to_ask(post, step, channel_ids)] }
            require_ability!("ask", on: touching(channel_ids: lines.values.flatten.map { |adaptation| adaptation.row[:channel_id] }))
            people = people_for(step, lines.values.flatten)
            id = insert(step, people, due, words)
            lines.each { |post, adaptations| insert_line(id, step, post, adaptations) }
            passes(id, step, people)
            tell(posts.values, step, people) unless step.side == "client"
            restage(posts.keys)
            id
          end
        end

        private

        def due_for(step, due_at)
          due = due_at || Store::Clients::Hours.of(workspace).add(now, step.hours * 60)
          return due if due > now

          raise Core::Invalid.new("due_past", "The answer cannot be due in the past.", field: "due_at", way_on: "Choose a later time.")
        end

        # @raise [Core::Conflict, Core::Invalid] with the sentence for this post
        def to_ask(post, step, channel_ids)
          if post.adaptations.empty?
            raise Core::Invalid.new("no_channel", "“#{title(post)}” has no channel yet.", field: "channel_ids",
              way_on: "Choose a channel.")
          end

          chosen = post.adaptations.reject(&:sent?).select { |adaptation| adaptation.verdict.waits_at&.id == step.id }
          chosen.select! { |adaptation| channel_ids.include?(adaptation.row[:channel_id]) } if channel_ids
          raise nothing_to_ask(post, step) if chosen.empty?

          fresh = chosen.reject { |adaptation| NextAsk.asked?(adaptation, step) }
          raise asked_already(post, step) if fresh.empty?

          fresh.each { |adaptation| require_sound!(post, adaptation) }
        end

        def asked_already(post, step)
          Core::Conflict.new("asked_already", "“#{title(post)}” is already asked at “#{step.name}”, exactly as it stands.", field: "step_id",
            way_on: "Wait for the answer, or withdraw that ask first.")
        end

        def nothing_to_ask(post, step)
          waiting = post.adaptations.filter_map { |adaptation| adaptation.verdict.waits_at&.name }.first
          Core::Conflict.new("nothing_to_ask", "“#{title(post)}” needs nothing from “#{step.name}” now.", field: "step_id",
            way_on: waiting ? "It waits for “#{waiting}”: ask there." : "It has all its yeses.")
        end

        def require_sound!(post, adaptation)
          faults = Core::Checks::PostChecks.faults(adaptation.request, adaptation.channel[:card])
          return if faults.empty?

          raise Core::Invalid.new("has_faults", "“#{title(post)}” on #{adaptation.channel[:name]}: #{faults.map(&:sentence).join(' ')}", field: faults.first.part,
            way_on: "Mend it, then ask.")
        end

        def people_for(step, adaptations)
          authors = step.four_eyes ? adaptations.flat_map(&:authors).uniq : []
          barred = step.people & authors
          able = step.people_for(member.person_id, AwayNow.replace(scope, step, step.people - barred, now, member.zone) - authors)
          if able.empty? || (step.quorum == "all" && barred.any?)
            who = barred.map { |id| names.fetch(id) }.join(" and ")
            sentence = barred.any? ? "#{who} wrote part of this and cannot clear it (four eyes)." : "Nobody is named for “#{step.name}”."
            raise Core::Invalid.new("too_few_people", sentence, field: "people", way_on: "Name somebody else for this step.")
          end
          able
        end

        def insert(step, people, due, words)
          id = new_id
          places = step.places_for(people)
          scope.insert(:asks, { id: id, step_id: step.id, asked_by: member.person_id, asked_at: now, due_at: due, message: words,
                                room: step.side == "client" ? "client" : "house" })
          scope.insert(:ask_people, *people.map { |person| { ask_id: id, person_id: person } })
          scope.insert(:ask_places, *places.each_with_index.map { |person, number| { ask_id: id, number: number, person_id: person } })
          id
        end

        def insert_line(ask_id, step, post, adaptations)
          EndLines.call(kit, member, adaptation_ids: adaptations.map(&:id), as: "outdated")
          Posts::FixTags.call(kit, member, adaptations: adaptations)
          revision = Posts::KeepRevision.call(kit, member, post: post)
          line_id = new_id
          scope.insert(:ask_lines, { id: line_id, ask_id: ask_id, post_id: post.id, revision_id: revision[:id] })
          scope.insert(:ask_line_adaptations, *adaptations.map do |adaptation|
            { line_id: line_id, adaptation_id: adaptation.id, revision_adaptation_id: revision[:adaptations].fetch(adaptation.id) }
          end)
          rows(:openings).where(adaptation_id: adaptations.map(&:id), closed_at: nil).update(closed_at: now, closed_by: member.person_id)
          record("asked", post_id: post.id, revision_id: revision[:id],
            facts: { step: step.name, revision: revision[:number], channels: adaptations.map { |adaptation|
              adaptation.channel[:name]
            }, ask: ask_id })
        end

        # The client's people get a mail with their pass; the pass is made when the mail is, so that it stands nowhere else.
        def passes(ask_id, step, people)
          return unless step.side == "client"

          people.each { |person| kit.queue.ask_mail(member.workspace_id, ask_id, person, at: now) }
        end

        def tell(posts, step, people)
          what = posts.size == 1 ? "“#{title(posts.first)}”" : "#{posts.size} posts"
          People::Notify.call(kit, member, person_ids: people, kind: "asked", post_id: posts.first.id, words: "#{member.name} asks for your yes to #{what} (#{step.name}).")
        end

        def title(post)
          post.row[:subject].empty? ? "Untitled" : post.row[:subject]
        end
      end
    end
  end
end
