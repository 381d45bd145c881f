# frozen_string_literal: true

module AskFirst
  module App
    class Door
      # Asks, their passes and their lines.
      module ToAsks
        # An ask as a whole: all its posts and channels.
        def ask(input, lock: true)
          agency_only!("This ask")
          row = find(:asks, input[:ask_id], "This ask") { |asks| asks.select_all(:asks).select_append(*whereabouts) }
          through_ask(row, row, lock, "This ask")
        end

        def pass(input, lock: true)
          agency_only!("This pass")
          row =
            find(:guest_passes, input[:pass_id], "This pass") do |passes|
              passes
                .join(:asks, workspace_id: :workspace_id, id: :ask_id)
                .select_all(:guest_passes)
                .select_append(*whereabouts)
            end
          through_ask(row, row, lock, "This pass")
        end

        # One line, for whoever was asked on it: their place in the open ask. A guest finds only the lines of their
        # pass.
        def line(input)
          row =
            find(:ask_lines, input[:line_id], "This ask") do |lines|
              lines
                .join(:asks, workspace_id: :workspace_id, id: :ask_id)
                .select_all(:ask_lines)
                .select_append(:step_id, :room, :withdrawn_at, :asked_by, gathered(people_asked, :person_id).as(:asked))
            end
          asked = row[:asked].to_a
          if !asked.include?(member.person_id) || (member.ask_id && member.ask_id != row[:ask_id])
            raise Core::NotFound, "This ask"
          end

          Store::Locks.for_posts(scope, [row[:post_id]])
          working_pass!
          posts = Store::Posts::PostState.load(scope, [row[:post_id]], now)
          require!(row[:room] == "client" ? "answer_client" : "answer_internal", on: touching(asked: asked))
          Opened.new(row: row, posts: posts)
        end

        # A guest's own ask: all that their pass opens.
        def own_ask(_input)
          raise Core::NotFound, "This ask" if member.ask_id.nil?

          Opened.new(row: find(:asks, member.ask_id, "This ask"))
        end

        def own_rendition(input)
          raise Core::NotFound, "This picture" if member.ask_id.nil?

          shown =
            scope.db[:ask_lines]
              .where(Sequel[:ask_lines][:workspace_id] => Sequel[:renditions][:workspace_id], :ask_id => member.ask_id)
              .join(:ask_line_adaptations, workspace_id: :workspace_id, line_id: :id)
              .join(
                :revision_adaptations,
                workspace_id: Sequel[:ask_lines][:workspace_id],
                id: Sequel[:ask_line_adaptations][:revision_adaptation_id]
              )
              .where(Sequel.lit("rendition_ids @> ARRAY[renditions.id]"))
          Opened.new(
            row: find(:renditions, input[:rendition_id], "This picture") { |files| files.where(shown.select(1).exists) }
          )
        end

        def own_line(input)
          raise Core::NotFound, "This ask" if member.ask_id.nil?

          Opened.new(row: find(:ask_lines, input[:line_id], "This ask") { |lines| lines.where(ask_id: member.ask_id) })
        end

        # What somebody of the client was mailed as their yes, with the posts that it is about.
        def own_receipt(input)
          row = find(:receipts, input[:receipt_id], "This receipt") { |all| all.where(person_id: member.person_id) }
          mine = scope.rows(:receipt_answers).where(receipt_id: row[:id]).select(:answer_id)
          ids = Store::Locks.for_posts(scope, scope.rows(:answers).where(id: mine).select_map(:post_id))
          Opened.new(row: row, posts: Store::Posts::PostState.load(scope, ids, now))
        end

        private

        # Whoever stops a pass holds the locks of all the posts that it is about.
        def working_pass!
          return if member.pass_id.nil?

          why = Signoff::PassOver.why(kit, scope.rows(:guest_passes).where(id: member.pass_id).first) and raise why
        end

        def through_ask(row, ask, lock, what)
          raise Core::NotFound, what unless sees?(ask[:channel_ids].to_a)

          Store::Locks.for_posts(scope, ask[:post_ids].to_a) if lock
          require!(@act, on: touching(channel_ids: ask[:channel_ids].to_a))
          Opened.new(row: row, channel_ids: ask[:channel_ids].to_a)
        end

        # The posts and channels that an ask is about.
        def whereabouts
          lines = scope.db[:ask_lines].where(workspace_id: Sequel[:asks][:workspace_id], ask_id: Sequel[:asks][:id])
          on =
            scope.db[:ask_line_adaptations].where(
              Sequel[:ask_line_adaptations][:workspace_id] => Sequel[:asks][:workspace_id],
              :line_id => lines.select(:id)
            ).join(:adaptations, workspace_id: :workspace_id, id: :adaptation_id)
          [gathered(lines, :post_id).as(:post_ids), gathered(on, :channel_id).as(:channel_ids)]
        end

        def people_asked
          scope.db[:ask_people].where(
            workspace_id: Sequel[:ask_lines][:workspace_id],
            ask_id: Sequel[:ask_lines][:ask_id]
          )
        end
      end
    end
  end
end
