# frozen_string_literal: true

module AskFirst
  module App
    # Finds a file through the door. It is brought up after the transaction: it may lie in a store elsewhere.
    class FileAct < Act
      stepwise

      # @return [Hash] {path:, mime:}, and name: of what is handed out under one
      def call(**)
        told =
          reading do
            enter
            found
          end
        { path: brought_up(told[:file]), **told.except(:file) }
      end

      private

      # @return [Hash] file:, mime:, name:
      def found = row.slice(:file, :mime, :name)

      def brought_up(file) = environment.files.path(file)
    end
  end
end
