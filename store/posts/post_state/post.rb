# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      class PostState
        # A post as it stands, with its adaptations.
        Post =
          Struct.new(:row, :master, :part_rows, :adaptations, :steps, :route, :source, keyword_init: true) do
            def id = row[:id]
            def stage = Core::Signoff::Stages.of_post(adaptations.map(&:stage))
            def adaptation(id) = adaptations.find { |adaptation| adaptation.id == id }
            def on(channel_id) = adaptations.find { |adaptation| adaptation.row[:channel_id] == channel_id }
            # An open ask of it can be answered by too few people now.
            def waits_for_nobody? = adaptations.any?(&:waits_for_nobody)
            def channel_ids = adaptations.map { |adaptation| adaptation.row[:channel_id] }
            def part(channel_id, part) = part_rows.find { |row| row[:channel_id] == channel_id && row[:part] == part }
            def inspect = "#<#{self.class} #{id}>"
            # @return [Hash{String=>String}] person id => name, of everybody who is or was a member
            def names = source.names
            # @return [Hash] what of the client's row its posts hang on
            def workspace = source.workspace
            # @return [Hash{String=>String}] id => name, of every channel of the client
            def channel_names = source.channel_names
            # @return [Hash{String=>Hash}] id => row, of the files that its parts hold, own and the master's
            def media = source.media
            # @return [Array<Hash>] what a line asks about, as it was asked
            def asked_on(line_id) = source.asked_on(id, line_id)
            # @return [Array<Hash>] every line that was asked about one adaptation
            def asked_about(adaptation_id) = source.asked_about(adaptation_id)
            # @return [String] of an adaptation that may have been taken off since
            def channel_name(adaptation_id) = source.channel_name(adaptation_id)
            # @return [People::Subscribers::People] whose pages are told when it changes
            def subscribers = source.subscribers(self)
            # @return [Post] as it stands once these rows are what the database holds
            def changed(...) = source.changed(...).posts.fetch(id)
          end
      end
    end
  end
end
