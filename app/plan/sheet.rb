# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # The plan as rows, for a sheet: what goes out between two days, as the reader sees it.
      class Sheet
        MOST = 400 # days
        COLUMNS = %w[day time zone client subject channels stage labels campaign owner address].freeze

        # @param from [String] ISO date, in the zone of each client
        # @param to [String] inclusive
        # @param filter [Core::Plan::Filter]
        # @param everything [Boolean] also channels that the reader has switched off
        # @return [Array<Array<String>>] rows by day and time, each with COLUMNS
        # @raise [Core::Invalid] bad_date, too_many_days
        def self.call(kit, scope, from:, to:, filter: Core::Plan::Filter::NONE, everything: false)
          first = Core::Plan::Iso.day(from, kit.now, field: "from")
          last = Core::Plan::Iso.day(to, kit.now, field: "to")
          raise too_many unless (first..last).count.between?(1, MOST)

          narrowed = Store::Plan::Narrowed.new(scope, filter, everything: everything)
          scope.transaction { new(kit, scope, first, last, narrowed).call }
        end

        def self.too_many
          Core::Invalid.new(
            "too_many_days",
            "A sheet has between one day and #{MOST}, the first before the last.",
            field: "to",
            way_on: "Take a year at a time."
          )
        end
        private_class_method :too_many

        def initialize(kit, scope, first, last, narrowed)
          @kit = kit
          @scope = scope
          @first = first
          @last = last
          @narrowed = narrowed
        end

        def call
          beside = Store::Plan::Beside.of(@scope, lines.map { |line| [line.workspace_id, line.post_id] })
          lines.map { |line| row(line, beside.fetch(line.post_id)) }
        end

        private

        def clients = @clients ||= Store::Plan::Days.clients(@scope).to_h { |client| client.values_at(:id, :name) }

        def lines
          @lines ||=
            Lines
              .of(Store::Plan::Days.of(@scope, utc(@first) - 86_400, utc(@last) + (2 * 86_400), @narrowed))
              .select { |line| (@first.iso8601..@last.iso8601).cover?(line.value["wall"][0, 10]) }
              .sort_by { |line| [line.value["wall"], line.post_id] }
        end

        def utc(day) = Time.utc(day.year, day.month, day.day)

        def row(line, beside)
          [
            line.value["wall"][0, 10],
            line.value["wall"][11, 5],
            line.value["zone"],
            clients.fetch(line.workspace_id),
            line.subject,
            line.channels.map { |channel| channel["name"] }.join(", "),
            line.stage.tr("_", " "),
            *beside.values_at(:labels, :campaign, :owner).map(&:to_s),
            "#{@kit.settings.public_url}/w/#{line.workspace_id}/posts/#{line.post_id}"
          ]
        end
      end
    end
  end
end
