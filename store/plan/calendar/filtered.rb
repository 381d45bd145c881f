# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # A filter of the plan as conditions: on posts, and on the lines that they stand in.
      class Filtered
        FOUND = 500 # posts looked at when words are searched for

        # @param scope [Scope]
        # @param filter [Core::Plan::Filter]
        # @param everything [Boolean] also channels that the reader has switched off
        def initialize(scope, filter, everything: false)
          @scope = scope
          @filter = filter
          @everything = everything
        end

        # @param posts [Sequel::Dataset] of posts that the reader may see
        # @return [Sequel::Dataset]
        def posts(posts)
          [labels, campaigns, people, waits, words].compact.reduce(posts) { |found, rule| found.where(rule) }
        end

        # The same for posts as a whole, where no channel stands beside them.
        def whole_posts(dataset)
          dataset = posts(dataset)
          dataset = dataset.where(Sequel[:posts][:stage] => @filter["stages"]) if @filter["stages"].any?
          @filter["channels"].any? ? dataset.where(on_channels.select(1).exists) : dataset
        end

        # @param adaptations [Sequel::Dataset] of a post, that the reader may see
        # @return [Sequel::Dataset] those that are shown
        def adaptations(adaptations)
          here = Sequel[:adaptations]
          adaptations = adaptations.where(here[:stage] => @filter["stages"]) if @filter["stages"].any?
          adaptations = adaptations.where(here[:channel_id] => @filter["channels"]) if @filter["channels"].any?
          off.empty? ? adaptations : adaptations.exclude(here[:channel_id] => off)
        end

        # Whether a post has a line to show: on one of its channels, or as it is where it is on none.
        # @param adaptations [Sequel::Dataset] of a post, that the reader may see
        def shown(adaptations)
          return true if @filter["stages"].empty? && @filter["channels"].empty? && off.empty?

          any = adaptations(adaptations).select(1).exists
          return any if @filter["channels"].any?

          bare = ~of_post(:adaptations).where(removed_at: nil).select(1).exists
          bare = Sequel.&(bare, Sequel[:posts][:stage] => @filter["stages"]) if @filter["stages"].any?
          Sequel.|(any, bare)
        end

        private

        def labels
          return if @filter["labels"].empty?

          of_post(:post_labels).where(label_id: Labels.meant(@scope, @filter["labels"])).select(1).exists
        end

        def campaigns
          @filter["campaigns"].any? ? { Sequel[:posts][:campaign_id] => @filter["campaigns"] } : nil
        end

        def people
          @filter["people"].any? ? { Sequel[:posts][:owner_id] => @filter["people"] } : nil
        end

        # Open lines of an ask: at a client's step, at one of ours, or with whoever looks.
        def waits
          return if @filter["waits"].empty?

          Sequel.|(*@filter["waits"].map { |whom| whom == "me" ? { key => with_me } : asked_of(whom) })
        end

        def key = [Sequel[:posts][:workspace_id], Sequel[:posts][:id]]

        def with_me
          Agency::Waiting.new(@scope).asked.select(Sequel[:ask_lines][:workspace_id], Sequel[:ask_lines][:post_id])
        end

        def asked_of(whom)
          asks = { workspace_id: Sequel[:ask_lines][:workspace_id], id: Sequel[:ask_lines][:ask_id] }
          of_post(:ask_lines)
            .where(ended_at: nil)
            .join(:asks, asks.merge(room: whom == "client" ? "client" : "house"))
            .select(1)
            .exists
        end

        def words
          return if @filter["words"].empty?

          like = "%#{@filter["words"].gsub(/[\\%_]/) { |one| "\\#{one}" }}%"
          found = @scope.db.from(Sequel.function(:app_find_posts, like, FOUND)).select(:workspace_id, :id)
          { key => found }
        end

        def of_post(table)
          @scope.db[table].where(
            Sequel[table][:workspace_id] => Sequel[:posts][:workspace_id],
            Sequel[table][:post_id] => Sequel[:posts][:id]
          )
        end

        # @return [Array<String>] ids of channels that are left out since the reader has switched them off
        def off
          @off ||=
            @everything ? [] : @scope.rows(:channels_off).where(person_id: @scope.person_id).select_map(:channel_id)
        end

        def on_channels
          Days.seen(@scope).where(Sequel[:adaptations][:channel_id] => @filter["channels"])
        end
      end
    end
  end
end
