# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Carries all that an idea holds over into a new post: its note as the copy, its link, files with what the library
      # says of them, its category as a label; audience and keywords into the note to the team.
      class IntoPost < Act
        inside

        # @param post_id [String] of a post that was just made, with nothing in it but its channels and its time
        # @param idea [Hash] the row
        def call(post_id:, idea:)
          rows(:posts).where(id: post_id).update(idea_id: idea[:id], note: note(idea))
          parts = parts(idea)
          authors = Store::Database.uuids([writer(idea), member.person_id].compact.uniq)
          scope.insert(:parts, *parts.map { |part, value| part_row(post_id, part, value, authors) })
          label(post_id, idea[:category]) unless idea[:category].empty?
          record("post_of_idea", post_id: post_id, facts: { id: idea[:id], title: idea[:title] })
          refresh_stage([post_id])
          if parts.key?("link")
            Checks::LookAtLinks.plan(environment, member.workspace_id, post_states([post_id]).fetch(post_id))
          end
        end

        private

        def parts(idea)
          media = rows(:idea_media).where(idea_id: idea[:id]).order(:place).select_map(:media_id)
          said = rows(:media).where(id: media).exclude(description: "").select_hash(:id, :description)
          {
            "text" => idea[:note],
            "link" => idea[:link] && Core::Posts::Link.clean(idea[:link]),
            "media" => media,
            "descriptions" => said
          }.reject { |_, value| value.nil? || value.empty? }
        end

        # Whoever wrote the idea has words in the post, and does not clear it. Words of the client's are nobody's here.
        def writer(idea) = idea[:side] == "agency" ? idea[:given_by] : nil

        def part_row(post_id, part, value, authors)
          by = { version: 1, written_by: member.person_id, written_at: now, authors: authors }
          { post_id: post_id, channel_id: nil, part: part, value: Store::Database.jsonb(value), **by }
        end

        def label(post_id, name)
          Campaigns::NamedLabels
            .call(environment, member, names: [name])
            .each do |id|
              scope.db[:post_labels].insert_conflict.insert(
                workspace_id: member.workspace_id,
                post_id: post_id,
                label_id: id
              )
            end
        end

        def note(idea)
          keywords = idea[:keywords].to_a.map { |one| Core::Ideas::Keywords.in_words(one) }
          [
            idea[:audience].empty? ? nil : "For: #{idea[:audience]}",
            keywords.empty? ? nil : "Keywords: #{keywords.join("; ")}",
            idea[:side] == "client" ? "An idea of #{names[idea[:given_by]]}, of the client." : nil
          ].compact.join("\n")
        end
      end
    end
  end
end
