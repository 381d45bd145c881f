# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # Renames a label everywhere, gives it a colour and initials, and puts it below another: one level deep.
      # Immaterial.
      class UpdateLabel < Act
        opens :label, "order_labels", locks: :client

        # @param parent_id [String, nil] the label that it stands below
        # @return [void]
        # @raise [Core::Invalid, Core::Conflict] label_there, too_deep
        def call(label_id:, name:, initials:, colour:, parent_id: nil)
          label = Core::Campaigns::Label.read(name: name, initials: initials, colour: colour)
          parent = parent_id && parent(parent_id, label_id)
          set = { name: label.name, initials: label.initials, colour: label.colour, parent_id: parent }
          return if row.slice(*set.keys) == set

          scope.transaction(savepoint: true) { rows(:labels).where(id: label_id).update(set) }
          record("label_changed", facts: { before: row[:name], after: label.name })
          Signoff::RefreshLabelled.call(environment, member, label_ids: [label_id]) if parent != row[:parent_id]
          announce("plan", ids: [])
        rescue Store::Failures::Taken
          raise there(label.name)
        rescue Store::Failures::StillUsed
          raise too_deep
        end

        private

        def parent(id, own)
          found = fetch(:labels, id, "This label")
          raise Core::NotFound, "This label" if found[:merged_into]
          raise too_deep if found[:parent_id] || id == own || rows(:labels).where(parent_id: own).any?

          id
        end

        def too_deep
          Core::Invalid.new(
            "too_deep",
            "Labels stand below one another by one level.",
            field: "parent",
            way_on: "Choose one that stands below nothing, or take out first what stands below this one."
          )
        end

        def there(name)
          Core::Conflict.new(
            "label_there",
            "There is a label “#{name}” already.",
            field: "name",
            way_on: "Merge the two, or choose another name."
          )
        end
      end
    end
  end
end
