# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Makes a group of ideas, or names one anew.
      class SaveGroup < IdeaAct
        opens :idea_group, "order_ideas"

        MOST = 20
        NAME = Core::Lengths::NAME

        # @param group_id [String, nil] nil for a new one
        # @return [String] its id
        # @raise [Core::Invalid] name_missing, name_taken, too_many_groups
        def call(name:, group_id: nil)
          clean = Core::Posts::Text.line(name, field: "name", limit: NAME)
          raise no_name if clean.empty?

          id = row ? row[:id] : new_id
          scope.transaction(savepoint: true) do
            row ? rows(:idea_groups).where(id: id).update(name: clean) : add(id, clean)
          end
          record("idea_group_saved", facts: { name: clean, before: row && row[:name] })
          broadcast
          id
        rescue Store::Failures::Taken
          raise taken(clean)
        end

        private

        def add(id, name)
          raise too_many if rows(:idea_groups).count >= MOST

          scope.insert(:idea_groups, { id: id, name: name, place: (rows(:idea_groups).max(:place) || 0) + 1 })
        end

        def no_name = invalid("name_missing", "A group needs a name.", "Give it one.")
        def taken(name) = invalid("name_taken", "There is a group “#{name}” already.", "Choose another name.")

        def too_many
          invalid("too_many_groups", "#{MOST} groups are the most.", "Throw one away that is not needed any more.")
        end

        def invalid(code, sentence, way_on) = Core::Invalid.new(code, sentence, field: "name", way_on: way_on)
      end
    end
  end
end
