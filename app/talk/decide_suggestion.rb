# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Takes a suggested edit into the post, for one channel or for all that follow the master, or declines it. Taking
      # is writing: it takes the ability for it, unlocks what is locked (which was said before), and whoever takes it is
      # an author from then on.
      class DecideSuggestion < Act
        opens :remark, nil, stand: true, lock: true

        # @param as [String] taken or declined
        # @param everywhere [Boolean] into the master instead of this channel alone
        # @raise [Core::Conflict] decided_already, words_changed
        def call(remark_id:, as:, everywhere: false)
          raise Core::NotFound, "This suggestion" if row[:replacement].nil? || member.side != "agency"
          raise decided if row[:decided_as]

          as == "taken" ? take(everywhere) : require_ability!("write:text", on: unlocked(own.row[:channel_id]))
          rows(:remarks).where(id: remark_id).update(
            decided_as: as,
            decided_by: member.person_id,
            decided_at: now,
            settled_at: row[:thread_id] ? nil : now,
            settled_by: row[:thread_id] ? nil : member.person_id
          )
          facts = { words: row[:pin]["exact"], instead: row[:replacement], person: names[row[:person_id]] }
          record(as == "taken" ? "suggestion_taken" : "suggestion_declined", post_id: post.id, facts: facts)
          announce("talk", ids: [post.id], room: row[:room])
        end

        private

        # The channel whose proof it is pinned to.
        def own
          post.adaptation(row[:pin]["adaptation_id"]) or raise Core::NotFound, "This channel of the post"
        end

        def take(everywhere)
          channel = everywhere ? nil : own.row[:channel_id]
          before = post.part(channel, "text")
          text = channel && !before ? post.master["text"] : before&.fetch(:value)
          changed = Core::Talk::TextQuote.stored(row[:pin]).replace(text.to_s, row[:replacement])
          raise words_changed if changed.nil?

          require_ability!("write:text", on: unlocked(channel))
          unlock(channel)
          version = before ? before[:version] : 0
          value = { part: "text", value: changed, version: version }
          Posts::UpdatePart.call(environment, member, post_id: post.id, channel_id: channel, **value)
        end

        # What it touches, apart from whether that is locked: unlocking is asked for by itself.
        def unlocked(channel)
          Posts::Touching.part(post, channel, "text").dup.tap { |touched| touched.sealed = [] }
        end

        def unlock(channel)
          ids = Posts::Touching.part(post, channel, "text").facts["adaptations"]
          Posts::OpenPost.call(environment, member, post_id: post.id, adaptation_ids: ids) if ids.any?
        end

        def decided
          Core::Conflict.new(
            "decided_already",
            "#{names[row[:decided_by]]} has #{row[:decided_as]} this already.",
            way_on: "Look at what stands."
          )
        end

        def words_changed
          Core::Conflict.new(
            "words_changed",
            "“#{row[:pin]["exact"]}” does not stand there any more.",
            way_on: "Write it by hand where it belongs now."
          )
        end
      end
    end
  end
end
