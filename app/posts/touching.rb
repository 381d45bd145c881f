# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What a write to a post would touch, as far as permission hangs on it: the same for the act that does it and
      # for the page that says beforehand why it is off.
      module Touching
        module_function

        # A part of the master or of one channel. What is out follows nothing any more, so the master may change
        # beside it.
        # @param post [Store::Posts::PostState::Post]
        # @param channel_id [String, nil] nil for the master
        # @return [Core::Permissions::Touched]
        def part(post, channel_id, part)
          touched = changed_by(post, channel_id, part)
          of(touched, channel_ids: channel_id ? [channel_id] : post.channel_ids, time: part == "time")
        end

        # Channels of a post as they are chosen for an act.
        # @param adaptations [Array<Store::Posts::PostState::Adaptation>]
        def channels(adaptations)
          of(adaptations, channel_ids: adaptations.map { |one| one.row[:channel_id] })
        end

        # The adaptations that a write to this part would change.
        def changed_by(post, channel_id, part)
          return [post.on(channel_id)].compact if channel_id

          following = Core::Posts::Parts.followers(part, post.adaptations.to_h { |one| [one.id, one.own] })
          post.adaptations.select { |one| following.include?(one.id) && !one.out? }
        end

        def of(adaptations, channel_ids:, time: false)
          out, rest = adaptations.partition(&:out?)
          going, rest = rest.partition { |one| one.verdict.sending? }
          sealed = rest.select { |one| time ? one.verdict.time_locked? : one.verdict.sealed? }
          Core::Permissions::Touched.new(
            channel_ids: channel_ids,
            out: names(out),
            going: names(going),
            sealed: names(sealed),
            facts: {
              "adaptations" => sealed.map(&:id)
            }
          )
        end

        def names(adaptations)
          adaptations.map { |one| one.channel[:name] }
        end
        private_class_method :changed_by, :of, :names
      end
    end
  end
end
