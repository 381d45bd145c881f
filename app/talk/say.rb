# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Adds a remark to one of a post's two rooms: by itself, as an answer in a thread, pinned to a place of a proof,
      # or as words suggested instead of others. It is talk, never an answer to an ask. The client side has only its own
      # room, and only beside posts that were shared with it.
      class Say < Act
        opens :room, nil

        LIMIT = Core::Talk::Reply::LIMIT

        # @param thread_id [String, nil] the remark that it answers
        # @param pin [Hash, nil] see Core::Talk::Pin
        # @param replacement [String, nil] what should stand instead of the words that it is pinned to
        # @param mentions [Array<String>] ids of people who are told
        # @param file_ids [Array<String>] files of this room, added before
        # @return [String] its id
        def call(post_id:, room:, words:, thread_id: nil, pin: nil, replacement: nil, mentions: [], file_ids: [])
          said = Core::Posts::Text.clean(words, field: "words", limit: LIMIT).strip
          instead = suggestion(replacement, pin)
          raise nothing if said.empty? && instead.nil? && file_ids.empty?

          id = new_id
          place = { thread_id: thread(thread_id, post_id, room), pin: Core::Talk::Pin.clean(pin), replacement: instead }
          insert(id, post_id, room, said, place)
          beside(id, mentioned(mentions, room), files(file_ids, post_id, room))
          record("said", post_id: post_id, facts: { room: room, words: said, instead: instead }.compact)
          tell(post_id, said.empty? ? instead.to_s : said)
          TellClient.call(environment, member, post_id: post_id, remark_id: id, named: @mentioned) if room == "client"
          announce("talk", ids: [post_id], room: room)
          id
        end

        private

        def nothing = Core::Invalid.new("words_needed", "There is nothing to say yet.", field: "words")

        def suggestion(replacement, pin)
          return if replacement.nil?
          unless pin.is_a?(Hash) && pin["kind"] == "words"
            raise Core::Invalid.new("bad_pin", "Other words are suggested for words.", field: "pin")
          end

          Core::Posts::Text.clean(replacement, field: "replacement", limit: LIMIT)
        end

        # An answer to an answer stands in the same thread.
        def thread(id, post_id, room)
          return if id.nil?

          root = fetch(:remarks, id, "This remark")
          raise Core::NotFound, "This remark" unless root[:post_id] == post_id && root[:room] == room

          root[:thread_id] || root[:id]
        end

        def insert(id, post_id, room, said, place)
          row = { id: id, post_id: post_id, room: room, words: said.empty? ? "…" : said, said_at: now, **place }
          row[:pin] = row[:pin] && Store::Database.jsonb(row[:pin])
          scope.insert(:remarks, row.merge(person_id: member.person_id, pass_id: member.pass_id))
        end

        def beside(id, people, files)
          @mentioned = people
          scope.insert(:remark_mentions, *people.map { |person| { remark_id: id, person_id: person } })
          scope.insert(:remark_files, *files.map { |file| { remark_id: id, file_id: file } })
        end

        # Only those who may be in that room.
        def mentioned(ids, room)
          return [] if ids.empty?

          here = colleagues.select { |one| one.side == "agency" || room == "client" }.map(&:person_id)
          ids.uniq & here
        end

        def files(ids, post_id, room)
          return [] if ids.empty?

          known =
            rows(:brand_files).where(
              id: ids.grep(Core::Uuid::FORMAT),
              post_id: post_id,
              room: room,
              removed_at: nil
            ).select_map(:id)
          raise Core::NotFound, "This file" if known.size < ids.uniq.size

          known
        end

        def tell(post_id, said)
          People::Notify.call(
            environment,
            member,
            person_ids: @mentioned,
            kind: "mention",
            post_id: post_id,
            words: "#{member.name} names you: #{said}"
          )
          People::Notify.call(
            environment,
            member,
            person_ids: [row[:owner_id]].compact - @mentioned,
            kind: "talk",
            post_id: post_id,
            words: "#{member.name}: #{said}"
          )
        end
      end
    end
  end
end
