# frozen_string_literal: true

module AskFirst
  module App
    module Record
      # What a row of the record holds, as far as its reader may know it: somebody whose part is limited to channels
      # reads of these.
      module Facts
        BESIDE = %w[fingerprints counted].freeze # one for each of the channels that a row lists

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
          return row[:facts] unless mine && listed.is_a?(Array)

          kept = listed.each_index.select { |at| mine.include?(listed[at]) }
          beside = BESIDE.select { |name| row[:facts][name].is_a?(Array) && row[:facts][name].size == listed.size }
          row[:facts].merge(["channels", *beside].to_h { |name| [name, row[:facts][name].values_at(*kept)] })
        end

        # A sealed row cannot be told in part, or nobody could check it.
        # @return [Boolean] whether all of it may be told
        def whole?(row, names)
          of(row, names) == row[:facts]
        end
      end
    end
  end
end
