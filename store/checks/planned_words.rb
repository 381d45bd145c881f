# frozen_string_literal: true

module AskFirst
  module Store
    module Checks
      # What other posts of a client say, where and when, around a time: one statement, as large as its window and not as the
      # client's past.
      module PlannedWords
        MOST = 400 # appearances looked at

        module_function

        # @param from [Time]
        # @param to [Time]
        # @return [Array<Core::Checks::Neighbours::Showing>]
        def around(scope, post_id, from, to)
          rows(scope, post_id, from, to).filter_map do |row|
            value = row[:time] or next
            time = Core::Plan::WallTime.parse(value["wall"], value["zone"])
            Core::Checks::Neighbours::Showing.new(post_id: row[:post_id], subject: row[:subject], channel_id: row[:channel_id], channel: row[:name], text: row[:text].to_s, at: time.at)
          end
        end

        def rows(scope, post_id, from, to)
          posts = scope.rows(:posts).where { (at >= from) & (at <= to) }.exclude(id: post_id).order(Sequel.desc(:at)).limit(MOST).select(:workspace_id, :id, :subject)
          scope.db.from(posts.as(:posts)).join(:adaptations, workspace_id: Sequel[:posts][:workspace_id], post_id: Sequel[:posts][:id], removed_at: nil)
               .join(:channels, workspace_id: Sequel[:posts][:workspace_id], id: Sequel[:adaptations][:channel_id])
               .select(Sequel[:posts][:id].as(:post_id), :subject, Sequel[:adaptations][:channel_id], Sequel[:channels][:name],
                 followed(scope, "text").as(:text), followed(scope, "time").as(:time))
               .limit(MOST).all
        end

        # The channel's own part, else the master's.
        def followed(scope, part)
          kept = scope.db[:parts].where(workspace_id: Sequel[:posts][:workspace_id], post_id: Sequel[:posts][:id], part: part)
          Sequel.function(:coalesce, kept.where(channel_id: Sequel[:adaptations][:channel_id]).select(:value), kept.where(channel_id: nil).select(:value))
        end
        private_class_method :rows, :followed
      end
    end
  end
end
