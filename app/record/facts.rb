# frozen_string_literal: true

module AskFirst
  module App
    module Record
      # What a row of the record holds, as far as its reader may know it: somebody whose part is limited to channels
      # reads of these.
      module Facts
        module_function

        # @param scope [Store::Scope]
        # @return [Hash{String=>Array<String>}] workspace id => names of the reader's channels, where they are limited
        def names(scope)
          scope.limits.to_h do |workspace_id, ids|
            [workspace_id, scope.db[:channels].where(workspace_id: workspace_id, id: ids).select_map(:name)]
          end
        end

        # @param row [Hash] of the record
        # @param names [Hash] of names
        # @return [Hash] facts
        def of(row, names)
          mine = names[row[:workspace_id]]
          listed = row[:facts]["channels"]
          mine && listed.is_a?(Array) ? row[:facts].merge("channels" => listed & mine) : row[:facts]
        end
      end
    end
  end
end
