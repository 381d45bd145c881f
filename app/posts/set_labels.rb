# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Which labels a post carries, by their names; a name that is new becomes a label on the spot. Immaterial.
      class SetLabels < Act
        opens :post, "rename", whole: true

        MOST = 30
        LIMIT = Core::Lengths::NAME

        # @param names [Array<String>]
        # @return [Array<String>] as they stand now
        def call(post_id:, names:)
          wanted = clean(names)
          before = on(post_id)
          ids = Campaigns::NamedLabels.call(environment, member, names: wanted)
          rows(:post_labels).where(post_id: post_id).exclude(label_id: ids).delete
          scope.db[:post_labels].insert_conflict.multi_insert(
            ids.map { |id| { workspace_id: member.workspace_id, post_id: post_id, label_id: id } }
          )
          after = on(post_id)
          record("labelled", post_id: post_id, facts: { before: before, after: after }) unless before == after
          refresh_stage([post_id]) # a step may be wanted for a label
          after
        end

        private

        def clean(names)
          if names.size > MOST
            raise Core::TooMany.new("A post carries at most #{MOST} labels.", field: "names", way_on: "Take some away.")
          end

          names
            .map { |name| Core::Posts::Text.line(name, field: "names", limit: LIMIT) }
            .reject(&:empty?)
            .uniq { |name| name.downcase(:fold) }
        end

        def on(post_id) = Store::Posts::PostLabels.names(scope, post_id)
      end
    end
  end
end
