# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # The post sheet as the agency side sees it, with what the reader may do: whole, or the blocks that a page wants
      # again.
      class PostSheet < Act
        reads :post, "see_post", lock: false, stand: true

        BLOCKS = {
          "head" => Sheet::Head.method(:of),
          "columns" => Sheet::Columns.method(:of),
          "signoff" => Sheet::Signoff.method(:of),
          "tasks" => Sheet::Beside.method(:tasks),
          "talk" => Sheet::Beside.method(:talk),
          "around" => Sheet::Beside.method(:around)
        }.freeze

        # @param blocks [Array<String>, nil] names out of BLOCKS; nil for all
        # @return [Hash] JSON-ready
        # @raise [Core::Invalid] for a block that is none
        def call(post_id:, blocks: nil)
          wanted = blocks || BLOCKS.keys
          strange = wanted - BLOCKS.keys
          raise no_block(strange.first) if strange.any?

          from = reading_of(wanted)
          wanted.reduce({}) { |sheet, name| sheet.merge(BLOCKS.fetch(name).call(from)) }
        end

        private

        def reading_of(blocks)
          Sheet::Reading.new(
            scope: scope,
            member: member,
            post: post,
            now: now,
            blocks: blocks,
            colleagues: -> { colleagues }
          )
        end

        def no_block(name)
          Core::Invalid.new(
            "no_block",
            "The sheet has no block “#{name.to_s[0, 20]}”.",
            field: "names",
            way_on: "Name #{BLOCKS.keys.join(", ")}."
          )
        end
      end
    end
  end
end
