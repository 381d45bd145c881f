# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Takes a withdrawal back, as long as nobody who was asked has been told of it and everything stands as it was
      # asked: the lines are open again and the links work again.
      class UndoWithdraw < Act
        opens :ask, "withdraw"

        # @param post_id [String, nil] one post of the ask; nil for all that were withdrawn with it
        # @raise [Core::Conflict] told_already, changed_since
        def call(ask_id:, post_id: nil)
          raise told if row[:told_withdrawn_at]
          raise Core::NotFound, "This post" unless post_id.nil? || row[:post_ids].to_a.include?(post_id)

          lines = lines(ask_id, post_id)
          raise changed if lines.empty?

          reopen(lines, post_states(lines.map { |line| line[:post_id] }))
          links(ask_id) if row[:withdrawn_at]
          rows(:asks).where(id: ask_id).update(withdrawn_at: nil)
          lines.each { |line| record("ask_not_withdrawn", post_id: line[:post_id], facts: { ask: ask_id }) }
          refresh_stage(lines.map { |line| line[:post_id] })
        end

        private

        # Those that ended with the ask; a post that was taken out by itself before stays out.
        def lines(ask_id, post_id)
          all = rows(:ask_lines).where(ask_id: ask_id, ended_as: "withdrawn")
          all = all.where(post_id: post_id) if post_id
          all = all.where(ended_at: row[:withdrawn_at]) if row[:withdrawn_at] && post_id.nil?
          all.all
        end

        def reopen(lines, posts)
          open = lines.to_h { |line| [line, still_so(line, posts[line[:post_id]])] }
          raise changed if open.values.any?(&:empty?)

          open.each do |line, adaptations|
            rows(:ask_line_adaptations).where(line_id: line[:id], adaptation_id: adaptations).update(ended_as: nil)
            rows(:ask_lines).where(id: line[:id]).update(ended_at: nil, ended_as: nil)
          end
        end

        # The adaptations of a line that stand as they were asked, and are asked by nobody since.
        def still_so(line, post)
          return [] unless post

          post
            .asked_on(line[:id])
            .select { |asked| asked[:ended_as] == "withdrawn" }
            .select { |asked| waits?(post.adaptation(asked[:adaptation_id]), asked) }
            .map { |asked| asked[:adaptation_id] }
        end

        # At a step that was dropped on record meanwhile, nothing waits for an answer any more.
        def waits?(adaptation, asked)
          adaptation && adaptation.fingerprint == asked[:fingerprint] && !adaptation.facts.opened &&
            adaptation.facts.steps.any? { |step| step.id == asked[:step_id] } &&
            adaptation.facts.asked.none? { |one| one.open || one.order > asked[:order_no] }
        end

        # Those that were stopped with the ask, in the same act.
        def links(ask_id)
          rows(:guest_passes).where(ask_id: ask_id, revoked_at: row[:withdrawn_at]).update(revoked_at: nil)
        end

        def told
          Core::Conflict.new(
            "told_already",
            "Somebody who was asked has seen that it was withdrawn.",
            way_on: "Ask again."
          )
        end

        def changed
          Core::Conflict.new(
            "changed_since",
            "It does not stand as it was asked any more, or was asked anew since.",
            way_on: "Ask again."
          )
        end
      end
    end
  end
end
