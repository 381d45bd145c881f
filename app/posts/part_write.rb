# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What writing a part and setting it back to follow have in common: who may, whether it is sealed, which version was seen.
      class PartWrite < Act
        private

        def part_row(post_id, channel_id, part)
          rows(:parts).where(post_id: post_id, channel_id: channel_id, part: part).first
        end

        def require_channel!(post, channel_id)
          return if channel_id.nil? || post.adaptations.any? { |adaptation| adaptation.row[:channel_id] == channel_id }

          raise Core::NotFound, "This channel of the post"
        end

        # The adaptations that a write to this part would change.
        def touched(post, channel_id, part)
          return post.adaptations.select { |adaptation| adaptation.row[:channel_id] == channel_id } if channel_id

          following = Core::Posts::Parts.followers(part, post.adaptations.to_h { |adaptation| [adaptation.id, adaptation.own] })
          post.adaptations.select { |adaptation| following.include?(adaptation.id) }
        end

        def require_unsealed!(post, channel_id, part)
          touched = touched(post, channel_id, part).reject { |adaptation|
            channel_id.nil? && adaptation.showing && adaptation.showing[:state] == "out"
          }
          going = touched.select { |adaptation| adaptation.verdict.sending? || adaptation.showing&.fetch(:state) == "out" }
          raise too_late(going) if going.any?
          return unless Core::Posts::Parts::MATERIAL.include?(part)

          sealed = touched.select { |adaptation| adaptation.verdict.sealed? }
          raise sealed_error(sealed, part) if sealed.any?
        end

        def too_late(adaptations)
          Core::Over.new("too_late", "#{channels(adaptations)} is being sent or is out; what goes there can no longer be changed here.",
            field: "part", way_on: "Make a new post, or change it at the network.")
        end

        def sealed_error(adaptations, part)
          Core::Conflict.new("sealed", "#{channels(adaptations)} is sealed: it has been asked for, or has its yes, exactly as it stands.",
            field: part, way_on: "Open it with “Change it”; you are told first what that costs.",
            facts: { "adaptations" => adaptations.map(&:id) })
        end

        def channels(adaptations)
          adaptations.map { |adaptation| adaptation.channel[:name] }.join(" and ")
        end

        def part_changed(row, part)
          Core::Conflict.new("part_changed", "#{row ? names.fetch(row[:written_by], 'Somebody') : 'Somebody'} changed this meanwhile.",
            field: part, way_on: "Look at theirs, then keep yours or take it.",
            facts: { "theirs" => row && row[:value], "version" => row ? row[:version] : 0, "by" => row && names[row[:written_by]] })
        end
      end
    end
  end
end
