# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # A yes in another's name, for emergencies: who said it how, and what shows it. It is an answer of its own kind,
      # marked as such for ever, and counts only where that person is asked and could say it.
      class ClearFor < RulingAct
        WITHOUT = "Say how they said it, such as “by phone, 10:40”."

        private

        # @param person_id [String] in whose name
        # @param file_id [String, nil] a file of the post that shows it
        def rule(step, why, person_id:, file_id: nil)
          file = file_id && evidence(file_id)
          found = at(step).filter_map { |adaptation| line(adaptation, step, person_id) }
          raise nothing_here(step, "cleared for them") if found.empty?

          cleared = found.map(&:last)
          require_able!(step, cleared, person_id)
          require_no_block!(step, cleared, person_id)
          require_other_hand!(step, cleared, "cleared for them", also: person_id)
          insert(found, step, why, person_id, file)
          record(
            "cleared_for",
            post_id: post.id,
            facts: {
              step: step.name,
              step_id: step.id,
              person: names[person_id],
              person_id: person_id,
              reason: why,
              file: file && file[:name],
              channels: found.map { |_, one| one.channel[:name] },
              fingerprints: found.map { |_, one| one.fingerprint }
            }
          )
          end_answered(step, found.map(&:last))
        end

        # Where that person is asked about exactly what stands.
        def line(adaptation, step, person_id)
          row =
            post
              .asked_about(adaptation.id)
              .find do |one|
                one[:step_id] == step.id && one[:ended_as].nil? && one[:fingerprint] == adaptation.fingerprint &&
                  one[:people].to_a.include?(person_id)
              end
          [row, adaptation] if row
        end

        # Who could say it themselves at this moment.
        def require_able!(step, found, person_id)
          around = WhoAnswers.new(scope, colleagues, now, member.zone).around(step, found)
          return if around.able.include?(person_id)

          raise Core::Conflict.new(
                  "cannot_answer",
                  "#{names.fetch(person_id, "Whoever that is")} could not answer here themselves.",
                  way_on: "Have it cleared by somebody who can, or fill their place on record."
                )
        end

        # Their own change or no is theirs to take back.
        def require_no_block!(step, found, person_id)
          return if found.none? { |one| one.verdict.blocks_at(step.id).any? { |block| block.person_id == person_id } }

          raise Core::Conflict.new(
                  "block_stands",
                  "#{names[person_id]} wants a change at “#{step.name}”, which nobody takes back for them.",
                  way_on: "Change it and ask again, or ask them for their own yes."
                )
        end

        def insert(found, step, why, person_id, file)
          rows =
            found.map do |row, adaptation|
              {
                id: new_id,
                line_id: row[:line_id],
                step_id: step.id,
                post_id: post.id,
                adaptation_id: adaptation.id,
                person_id: person_id,
                given_by: member.person_id,
                verdict: "yes",
                words: why,
                room: step.side == "client" ? "client" : "house",
                fingerprint: adaptation.fingerprint,
                stood: adaptation.fingerprint,
                wall: row[:wall],
                zone: row[:zone],
                eligible: true,
                author: false,
                file_id: file && file[:id],
                given_at: now
              }
            end
          scope.insert(:answers, *rows)
          ids = rows.map { |one| one[:id] }
          CreateReceipt.call(environment, member, person_id: person_id, answer_ids: ids) if step.side == "client"
        end

        def evidence(id)
          fetch(:brand_files, id, "This file").tap do |file|
            raise Core::NotFound, "This file" if file[:removed_at] || file[:post_id] != post.id
          end
        end
      end
    end
  end
end
