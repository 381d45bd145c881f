# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Puts somebody into the book, or changes a spelling there. A spelling that sealed posts go out with is not
      # changed under them.
      class SaveMention < Act
        opens :client, "save_mention"

        LIMIT = 120

        # @param name [String] as posts write it; the same name is the same entry
        # @param spellings [Hash{String=>String}] network => spelling; empty ones are taken out
        # @return [String] id
        def call(name:, spellings:)
          plain = name_of(name)
          wanted =
            spellings.to_h do |network, spelling|
              [network, Core::Posts::Text.clean(spelling.to_s, field: "spellings", limit: LIMIT).strip]
            end
          id = entry(plain)
          before = rows(:mention_spellings).where(mention_id: id).select_hash(:network, :spelling)
          changed = wanted.reject { |network, spelling| before[network].to_s == spelling }
          require_own_networks!(changed.keys)
          touched = changed.empty? ? [] : require_free!(plain, changed.keys)
          changed.each { |network, spelling| keep_spelling(id, network, spelling) }
          record(
            "mention_saved",
            facts: {
              name: plain,
              before: before,
              after: before.merge(wanted).reject { |_, spelling| spelling.empty? }
            }
          )
          refresh_stage(touched) if touched.any?
          announce("posts")
          id
        end

        private

        def name_of(name)
          plain = Core::Posts::Text.clean(name, field: "name", limit: 80).strip
          return plain if plain.match?(/\A[^\[\]\n]+\z/)

          raise Core::Invalid.new(
                  "bad_name",
                  "A name is needed, without brackets and on one line.",
                  field: "name",
                  way_on: "Such as Harbour Museum."
                )
        end

        def entry(plain)
          by_name = Store::Named.called(rows(:mentions), plain)
          by_name.get(:id) ||
            begin
              scope.db[:mentions].insert_conflict.insert(
                workspace_id: member.workspace_id,
                id: new_id,
                name: plain,
                made_by: member.person_id,
                made_at: now
              )
              by_name.get(:id)
            end
        end

        # A spelling goes out on every channel at its network.
        def require_own_networks!(networks)
          require_ability!(
            "save_mention",
            on: touching(channel_ids: rows(:channels).where(network: networks, archived_at: nil).select_map(:id))
          )
        end

        def keep_spelling(id, network, spelling)
          return rows(:mention_spellings).where(mention_id: id, network: network).delete if spelling.empty?
          if rows(:channels).where(network: network).empty?
            raise Core::Invalid.new(
                    "no_such_network",
                    "There is no channel at “#{network[0, 40]}” here.",
                    field: "spellings"
                  )
          end

          row = { workspace_id: member.workspace_id, mention_id: id, network: network, spelling: spelling }
          scope.db[:mention_spellings].insert_conflict(
            target: %i[workspace_id mention_id network],
            update: {
              spelling: spelling
            }
          ).insert(row)
        end

        # What is out stays as it went, whatever a name is spelled like later.
        # @return [Array<String>] posts that name it and are not out
        def require_free!(plain, networks)
          ids = Store::Posts::Mentioning.posts(scope, plain)
          Store::Locks.for_posts(scope, ids)
          sealed =
            post_states(ids)
              .values
              .flat_map(&:adaptations)
              .select { |one| one.verdict.sealed? && !one.sent? && networks.include?(one.channel[:network]) }
          return ids if sealed.empty?

          who = sealed.size == 1 ? "One channel of a post is" : "#{sealed.size} channels of posts are"
          raise Core::Conflict.new(
                  "sealed",
                  "#{who} asked for or cleared with this spelling.",
                  field: "spellings",
                  way_on: "Unlock them first.",
                  facts: {
                    "posts" => sealed.map { |one| one.row[:post_id] }.uniq
                  }
                )
        end
      end
    end
  end
end
