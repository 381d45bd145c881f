# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      module Sheet
        # The master and a column for each channel, with the media that they show and the channels to choose from.
        class Columns
          # @param reading [Reading]
          # @return [Hash] JSON-ready
          def self.of(reading) = new(reading).to_h

          def initialize(reading)
            @reading = reading
            @post = reading.post
          end

          def to_h
            {
              master: {
                parts: parts_json(nil, @post.master),
                count: @post.master["text"].grapheme_clusters.size
              },
              adaptations: adaptations,
              channels: channels,
              sets: sets,
              other_channels: @post.adaptations.size - shown.size,
              media: media
            }
          end

          private

          def shown = @reading.shown
          def names = @reading.names

          def part_row(channel_id, part)
            @part_rows ||= @post.part_rows.to_h { |row| [[row[:channel_id], row[:part]], row] }
            @part_rows[[channel_id, part]]
          end

          def parts_json(channel_id, values)
            Core::Posts::Parts::ALL.to_h do |part|
              row = part_row(channel_id, part)
              [
                part,
                {
                  value: values[part],
                  own: !row.nil?,
                  version: row ? row[:version] : 0,
                  by: row && names[row[:written_by]],
                  off: @reading.allowed.off(channel_id, part)
                }
              ]
            end
          end

          def adaptations
            shown.map do |adaptation|
              channel_id = adaptation.row[:channel_id]
              AdaptationView.call(
                adaptation,
                names,
                condition: conditions[channel_id],
                off: @reading.allowed.column_off(adaptation),
                stays: @reading.allowed.stays(adaptation),
                seen: seen.of(adaptation)
              ).merge(parts: parts_json(channel_id, adaptation.parts), own_text: own_text(adaptation))
            end
          end

          def seen
            @seen ||= SeenAround.new(@reading.scope, @post, shown, @reading.workspace)
          end

          # An own text beside the master's: word by word, and whether the master has been changed since.
          def own_text(adaptation)
            own = part_row(adaptation.row[:channel_id], "text") or return
            master = part_row(nil, "text")
            runs = Core::Posts::WordDiff.runs(@post.master["text"], own[:value].to_s)
            { stale: !master.nil? && master[:written_at] > own[:written_at], runs: runs.map(&:to_h) }
          end

          def conditions
            @conditions ||=
              @reading
                .rows(:channels)
                .to_h { |row| [row[:id], Store::Channels::Conditions.condition(row, @reading.now)] }
          end

          def channels
            limits = @reading.member.limited_to
            @reading
              .rows(:channels)
              .select { |row| limits.nil? || limits.include?(row[:id]) }
              .map { |row| row.slice(:id, :name, :network, :initials, :account, :state) }
          end

          def sets
            Store::Channels::Sets
              .narrow(@reading.rows(:sets), @reading.member.limited_to)
              .map { |row| row.slice(:id, :name, :channel_ids) }
          end

          def media
            parts = [@post.master] + shown.map(&:parts)
            ids = parts.flat_map { |one| [*one["media"], Core::Posts::Link.picture(one["link"])] }.compact.uniq
            @post.media.slice(*ids).transform_values { |row| medium(row) }
          end

          def medium(row)
            row.slice(:name, :kind, :mime, :width, :height, :duration_ms, :pages).merge(by: names[row[:added_by]])
          end
        end
      end
    end
  end
end
