# frozen_string_literal: true

module AskFirst
  module App
    class Door
      # Asks, their passes and their lines.
      module ToAsks
        # An ask as a whole: all its posts and channels.
        def ask(input, lock: true)
          agency_only!("This ask")
          row = find_with(:ask, input[:ask_id], "This ask")
          through_ask(row, row, lock, "This ask")
        end

        def pass(input, lock: true)
          agency_only!("This pass")
          row = find_with(:pass, input[:pass_id], "This pass")
          through_ask(row, row, lock, "This pass")
        end

        # One line, for whoever was asked on it: their place in the open ask. A guest finds only the lines of their
        # pass.
        def line(input)
          row = find_with(:line, input[:line_id], "This ask")
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

          Opened.new(row: find_with(:rendition_of_ask, input[:rendition_id], "This picture", member.ask_id))
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

          why = Signoff::PassOver.why(environment, scope.rows(:guest_passes).where(id: member.pass_id).first) and
            raise why
        end

        def through_ask(row, ask, lock, what)
          raise Core::NotFound, what unless sees?(ask[:channel_ids].to_a)

          Store::Locks.for_posts(scope, ask[:post_ids].to_a) if lock
          require!(@act, on: touching(channel_ids: ask[:channel_ids].to_a))
          Opened.new(row: row, channel_ids: ask[:channel_ids].to_a)
        end
      end
    end
  end
end
