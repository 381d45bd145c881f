# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      module Sheet
        # What the post is, how far it is, and what the reader may do with it.
        module Head
          module_function

          # @param reading [Reading]
          # @return [Hash] JSON-ready
          def of(reading)
            post = reading.post
            {
              id: post.id,
              workspace_id: reading.member.workspace_id,
              zone: reading.workspace[:zone],
              time_policy: reading.workspace[:time_policy],
              currency: reading.workspace[:currency],
              subject: post.row[:subject],
              subject_version: post.row[:subject_version],
              owner: reading.names[post.row[:owner_id]],
              stage: post.stage,
              revision: reading.rows(:revisions).first[:number],
              strip: App::Signoff::Strip.of_post(post, reading.names),
              holds: holds(reading),
              can: reading.allowed.acts
            }
          end

          def holds(reading)
            reading
              .rows(:holds)
              .map do |row|
                {
                  id: row[:id],
                  channel_id: row[:channel_id],
                  reason: row[:reason],
                  by: reading.names[row[:put_by]],
                  at: row[:put_at].iso8601
                }
              end
          end
        end
      end
    end
  end
end
