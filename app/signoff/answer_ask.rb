# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Takes one person's verdict on a post as they saw it. The answer echoes what was shown; it is kept for each adaptation.
      class AnswerAsk < Act
        # @param verdict [String] yes, change or no
        # @param words [String] needed for change and no
        # @param shown [Hash{String=>String}] adaptation id => fingerprint, every one that the page showed
        # @param only [Array<String>, nil] for a change: the adaptations that it is about; nil = all
        # @param seen [Integer] order of the person's own last verdict that the page showed, 0 if none
        # @return [Hash] {counted:, sentence:}
        def call(line_id:, verdict:, shown:, words: "", only: nil, seen: 0)
          said = Core::Posts::Text.clean(words, field: "words", limit: 4_000).strip
          raise no_words if verdict != "yes" && said.empty?

          write do
            line = find_line(line_id)
            post = locked([line[:post_id]]).fetch(line[:post_id])
            adaptations = StillAsked.of(adaptations_of(line))
            require_seen_all!(adaptations, shown, verdict)
            require_no_later!(line, seen)
            targets = targets(adaptations, only, verdict)
            targets.each { |row| require_possible!(post.adaptation(row[:adaptation_id]), row, line, verdict) }
            keep(line, targets, post, verdict, said)
            finish(line, post, verdict)
          end
        end

        private

        def no_words
          Core::Invalid.new("words_needed", "Say what is to be changed.", field: "words", way_on: "A few words are enough.")
        end

        # Only who was asked finds the line; a guest only the lines of their pass.
        def find_line(line_id)
          line = fetch(:ask_lines, line_id, "This ask")
          asked = rows(:ask_people).where(ask_id: line[:ask_id]).select_map(:person_id)
          raise Core::NotFound, "This ask" if !asked.include?(member.person_id) || (member.ask_id && member.ask_id != line[:ask_id])

          ask = rows(:asks).where(id: line[:ask_id]).first
          require_ability!(ask[:room] == "client" ? "answer_client" : "answer_internal", on: touching(asked: asked))
          line.merge(step_id: ask[:step_id], room: ask[:room], withdrawn_at: ask[:withdrawn_at])
        end

        def adaptations_of(line)
          rows(:ask_line_adaptations).where(line_id: line[:id])
                                     .join(:revision_adaptations, workspace_id: :workspace_id, id: :revision_adaptation_id)
                                     .select(Sequel[:ask_line_adaptations][:adaptation_id], :ended_as, :fingerprint, :wall, :zone, :authors).all
        end

        def require_seen_all!(adaptations, shown, verdict)
          return if adaptations.all? { |row| shown[row[:adaptation_id]] == row[:fingerprint] }
          return if verdict != "yes" # a change or no counts whatever it echoes

          raise Core::Conflict.new("outdated", "This was changed after you opened it, so your yes was not taken for what you have not seen.",
            way_on: "Look at it as it is now, then answer.")
        end

        def require_no_later!(line, seen)
          latest = rows(:answers).where(line_id: line[:id], person_id: member.person_id).max(:order_no) || 0
          return if latest <= seen

          raise Core::Conflict.new("answered_since", "You have answered this since, from another page.", way_on: "Look at your last answer; answer again if it changed.",
            facts: { "seen" => latest })
        end

        def targets(adaptations, only, verdict)
          return adaptations if only.nil? || verdict == "yes"

          chosen = adaptations.select { |row| only.include?(row[:adaptation_id]) }
          raise Core::NotFound, "This channel of the post" if chosen.size < only.uniq.size || chosen.empty?

          chosen
        end

        def require_possible!(adaptation, row, line, verdict)
          raise over("too_late", "Too late: it is being sent or is out.") if adaptation.nil? || adaptation.sent?
          return if verdict != "yes"

          require_open!(adaptation, row, line)
          step = Store::Signoff::Routes.by_ids(scope, [line[:step_id]]).first
          return unless step.four_eyes && row[:authors].to_a.include?(member.person_id)

          raise Core::Refused.new("four_eyes", "You wrote part of this, so somebody else must clear it (four eyes).",
            way_on: "Ask a colleague named for “#{step.name}”.")
        end

        # On an ended line a yes only lifts its giver's own block on what stands now.
        def require_open!(adaptation, row, line)
          return if row[:ended_as].nil? || row[:ended_as] == "answered"
          return if adaptation.fingerprint == row[:fingerprint] && adaptation.verdict.blocks.any? { |block| block.person_id == member.person_id }

          if line[:withdrawn_at] || row[:ended_as] == "withdrawn"
            raise over("withdrawn",
              "The ask was withdrawn while you were reading; nothing is needed from you now.")
          end

          raise over("outdated", "A newer version was asked for meanwhile; your yes was not taken for it.")
        end

        def over(code, sentence)
          Core::Over.new(code, sentence,
            way_on: "If you have something to say, say it to #{member.side == 'client' ? 'the agency' : 'the lead'}; your words are kept here.")
        end

        def keep(line, targets, post, verdict, said)
          scope.insert(:answers, *targets.map do |row|
            { id: new_id, line_id: line[:id], step_id: line[:step_id], post_id: line[:post_id], adaptation_id: row[:adaptation_id],
              person_id: member.person_id, given_by: member.person_id, pass_id: member.pass_id, verdict: verdict, words: said, room: line[:room],
              fingerprint: row[:fingerprint], wall: row[:wall], zone: row[:zone], eligible: true,
              author: row[:authors].to_a.include?(member.person_id), given_at: now }
          end)
          asker = rows(:asks).where(id: line[:ask_id]).get(:asked_by)
          words = verdict == "yes" ? "#{member.name} says yes." : "#{member.name} wants a change: #{said}"
          People::Notify.call(kit, member, person_ids: [asker], kind: "answered", post_id: line[:post_id], words: words)
          channels = targets.map { |row| post.adaptation(row[:adaptation_id]).channel[:name] }
          record("answered", post_id: line[:post_id], revision_id: line[:revision_id],
            facts: { verdict: verdict, words: said, channels: channels, fingerprints: targets.map { |row| row[:fingerprint] } })
        end

        # A line's adaptation is answered when it is blocked or its places are filled.
        def finish(line, post, verdict)
          after = standing([post.id]).fetch(post.id)
          done = after.adaptations.select do |adaptation|
            adaptation.verdict.blocks.any? { |block| block.step_id == line[:step_id] } ||
              adaptation.verdict.steps.find { |step| step.step.id == line[:step_id] }&.satisfied?
          end
          EndLines.call(kit, member, adaptation_ids: done.map(&:id), as: "answered", ask_id: line[:ask_id])
          restage([post.id])
          { stage: standing([post.id]).fetch(post.id).stage, verdict: verdict }
        end
      end
    end
  end
end
