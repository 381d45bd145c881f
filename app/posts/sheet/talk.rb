# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      module Sheet
        # Talk beside a post, in its two rooms: each remark where it is pinned now, each suggestion with what taking it
        # would cost; and who reads each room.
        class Talk
          # @param reading [Reading]
          # @return [Hash] JSON-ready
          def self.of(reading) = new(reading).to_h

          def initialize(reading)
            @reading = reading
            @post = reading.post
          end

          def to_h
            files = @reading.rows(:remark_files).group_by { |row| row[:remark_id] }
            {
              remarks: @reading.rows(:remarks).map { |row| remark(row, files.fetch(row[:id], [])) },
              readers: {
                house: house.map { |one| named(one[:id]) },
                client: @reading.rows(:asked_people).map { |row| named(row[:person_id]).merge(told_at: told_at(row)) }
              }
            }
          end

          private

          def names = @reading.names
          # When they are mailed what the agency says now; nil when they do not want it.
          def told_at(row)
            App::Talk::TellClient.due(row, @reading.now, @reading.workspace[:zone])&.iso8601
          end

          def named(id) = { id: id, name: names[id] }
          def me = @reading.member.person_id

          def house
            @post.source.people.select do |one|
              one[:side] == "agency" && one[:ended_at].nil? &&
                (one[:access_until].nil? || one[:access_until] > @reading.now) &&
                (!one[:limited] || one[:channels].to_a.intersect?(@post.channel_ids))
            end
          end

          def remark(row, files)
            gone = !row[:deleted_at].nil?
            {
              id: row[:id],
              room: row[:room],
              thread_id: row[:thread_id],
              person: names[row[:person_id]],
              mine: row[:person_id] == me,
              words: gone ? "" : row[:words],
              at: row[:said_at].iso8601,
              edited: !row[:edited_at].nil?,
              deleted: gone,
              copied: !row[:copied_from].nil?,
              mail: row[:mail_about_all].nil? ? nil : { about_all: row[:mail_about_all] },
              settled: row[:settled_at] && { by: names[row[:settled_by]], at: row[:settled_at].iso8601 },
              mentions: row[:mentions].filter_map { |id| names[id] },
              files: gone ? [] : files.map { |file| file.slice(:id, :name, :bytes) },
              pin: row[:pin] && !gone ? pin(row[:pin]) : nil,
              suggestion: row[:replacement] && !gone ? suggestion(row) : nil
            }
          end

          def pin(value)
            one = @reading.shown.find { |adaptation| adaptation.id == value["adaptation_id"] }
            found = Core::Talk::Pin.now(value, one && one.request["text"], one ? one.parts["media"].to_a : [])
            { **value.transform_keys(&:to_sym), channel: one && one.channel[:name], **found }
          end

          def suggestion(row)
            one = @post.adaptation(row[:pin]["adaptation_id"])
            follows = one && !one.own.key?("text")
            {
              runs: Core::Posts::WordDiff.runs(row[:pin]["exact"], row[:replacement]).map(&:to_h),
              decided: row[:decided_as],
              by: names[row[:decided_by]],
              here: one && target(one.row[:channel_id], row),
              everywhere: follows ? target(nil, row) : nil
            }
          end

          # Whether it can be taken there, and what that would end.
          def target(channel_id, row)
            text = ((channel_id && @post.part(channel_id, "text")) || @post.part(nil, "text"))&.fetch(:value).to_s
            touched = Touching.part(@post, channel_id, "text")
            costs = @post.adaptations.select { |one| touched.facts["adaptations"].include?(one.id) }
            {
              there: !Core::Talk::TextQuote.stored(row[:pin]).find(text).nil?,
              costs: costs.flat_map { |one| Core::Signoff::Cost.of_opening(one.verdict, names) }.uniq
            }
          end
        end
      end
    end
  end
end
