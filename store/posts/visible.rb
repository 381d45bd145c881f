# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # Which posts a member sees whose part is limited to channels: those on one of these channels, those without a
      # channel, and those they have a task for; of showings, those on these channels. The one place where that is
      # said.
      module Visible
        # parts that hold a file, found by the index on what they hold
        HOLDING =
          Sequel.lit(
            "(part = 'media' AND value @> to_jsonb(ARRAY[media.id::text])) OR " \
              "(part = 'link' AND value @> jsonb_build_object('card', jsonb_build_object('picture', media.id::text)))"
          )

        module_function

        # @param ids [Array<String>, String]
        # @return [Sequel::Dataset] the posts of these that the reader sees
        def of(scope, ids)
          narrow(scope, scope.rows(:posts).where(Sequel[:posts][:id] => ids))
        end

        # @param ids [Array<String>, String]
        # @return [Sequel::Dataset] the files of these that the reader sees
        def media_of(scope, ids)
          media(scope, scope.rows(:media).where(Sequel[:media][:id] => ids))
        end

        # @param dataset [Sequel::Dataset] of posts
        def narrow(scope, dataset)
          scope
            .limits
            .reduce(dataset) do |posts, (workspace_id, channel_ids)|
              posts.exclude(hidden(scope, workspace_id, channel_ids))
            end
        end

        # @param dataset [Sequel::Dataset] of showings
        def showings(scope, dataset)
          scope
            .limits
            .reduce(dataset) do |found, (workspace_id, channel_ids)|
              found.exclude(
                Sequel.&(
                  { Sequel[:showings][:workspace_id] => workspace_id },
                  ~Sequel.expr(Sequel[:showings][:channel_id] => channel_ids)
                )
              )
            end
        end

        # Rows of the record: of posts that they see and not of another's channel, and what they did themselves.
        # @param dataset [Sequel::Dataset] of the record
        def record(scope, dataset)
          scope
            .limits
            .reduce(dataset) do |found, (workspace_id, channel_ids)|
              posts =
                narrow(
                  scope,
                  scope.db[:posts].where(workspace_id: Sequel[:record][:workspace_id], id: Sequel[:record][:post_id])
                )
              other =
                scope.db[:adaptations].where(
                  workspace_id: Sequel[:record][:workspace_id],
                  id: Sequel[:record][:adaptation_id]
                ).exclude(channel_id: channel_ids)
              names = scope.db[:channels].where(workspace_id: workspace_id, id: channel_ids).select(:name)
              # what was asked or said names its channels
              elsewhere =
                Sequel.lit(
                  "jsonb_typeof(facts -> 'channels') = 'array' AND NOT EXISTS (SELECT 1 FROM " \
                    "jsonb_array_elements_text(facts -> 'channels') c WHERE c IN ?)",
                  names
                )
              another = Sequel.lit("facts ->> 'channel' IS NOT NULL AND facts ->> 'channel' NOT IN ?", names)
              seen =
                Sequel.&(
                  posts.select(1).exists,
                  ~other.select(1).exists,
                  *[elsewhere, another].map { |rule| ~Sequel.function(:coalesce, rule, false) }
                )
              found.exclude(
                Sequel.&(
                  { Sequel[:record][:workspace_id] => workspace_id },
                  ~Sequel.|(seen, { Sequel[:record][:person_id] => scope.person_id })
                )
              )
            end
        end

        # Holds on their channels, and on the whole client.
        # @param dataset [Sequel::Dataset] of holds
        def holds(scope, dataset)
          scope
            .limits
            .reduce(dataset) do |found, (workspace_id, channel_ids)|
              others =
                Sequel.&(
                  ~Sequel.expr(Sequel[:holds][:channel_id] => nil),
                  ~Sequel.expr(Sequel[:holds][:channel_id] => channel_ids)
                )
              found.exclude(Sequel.&({ Sequel[:holds][:workspace_id] => workspace_id }, others))
            end
        end

        # Files that they added, or that a part shows them: the master's or their channels', of a post that they see.
        # @param dataset [Sequel::Dataset] of media
        def media(scope, dataset)
          scope
            .limits
            .reduce(dataset) do |found, (workspace_id, channel_ids)|
              posts =
                narrow(scope, scope.db[:posts].where(Sequel[:posts][:workspace_id] => workspace_id)).where(
                  Sequel[:posts][:id] => Sequel[:parts][:post_id]
                )
              parts = scope.db[:parts].where(Sequel[:parts][:workspace_id] => workspace_id).where(HOLDING)
              parts =
                parts.where(
                  Sequel.|({ Sequel[:parts][:channel_id] => nil }, { Sequel[:parts][:channel_id] => channel_ids })
                )
              shown = parts.where(posts.select(1).exists).select(1).exists
              found.where(Sequel.|({ Sequel[:media][:added_by] => scope.person_id }, shown))
            end
        end

        # Ideas for one of their channels or for none, and those that they gave.
        # @param dataset [Sequel::Dataset] of ideas
        def ideas(scope, dataset)
          scope
            .limits
            .reduce(dataset) do |found, (workspace_id, channel_ids)|
              theirs =
                Sequel.|(
                  { Sequel[:ideas][:channel_id] => nil },
                  { Sequel[:ideas][:channel_id] => channel_ids },
                  { Sequel[:ideas][:given_by] => scope.person_id }
                )
              found.exclude(Sequel.&({ Sequel[:ideas][:workspace_id] => workspace_id }, ~theirs))
            end
        end

        # Feeds whose items come in for one of their channels or for none, and those that they set up.
        # @param dataset [Sequel::Dataset] of feeds
        def feeds(scope, dataset)
          scope
            .limits
            .reduce(dataset) do |found, (workspace_id, channel_ids)|
              theirs =
                Sequel.|(
                  { Sequel[:feeds][:channel_id] => nil },
                  { Sequel[:feeds][:channel_id] => channel_ids },
                  { Sequel[:feeds][:made_by] => scope.person_id }
                )
              found.exclude(Sequel.&({ Sequel[:feeds][:workspace_id] => workspace_id }, ~theirs))
            end
        end

        # Files as they go out to one of their channels.
        # @param dataset [Sequel::Dataset] of renditions
        def renditions(scope, dataset)
          scope
            .limits
            .reduce(dataset) do |found, (workspace_id, channel_ids)|
              kept = scope.db[:revision_adaptations].where(workspace_id: workspace_id, channel_id: channel_ids)
              found.where(kept.where(Sequel.lit("rendition_ids @> ARRAY[renditions.id]")).select(1).exists)
            end
        end

        def hidden(scope, workspace_id, channel_ids)
          on =
            scope.db[:adaptations].where(
              workspace_id: Sequel[:posts][:workspace_id],
              post_id: Sequel[:posts][:id],
              removed_at: nil
            )
          tasks =
            scope.db[:tasks].where(
              workspace_id: Sequel[:posts][:workspace_id],
              post_id: Sequel[:posts][:id],
              person_id: scope.person_id
            )
          Sequel.&(
            { Sequel[:posts][:workspace_id] => workspace_id },
            on.select(1).exists,
            ~on.where(channel_id: channel_ids).select(1).exists,
            ~tasks.select(1).exists
          )
        end
      end
    end
  end
end
