# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # What archiving would stop and deleting would take away, in numbers, before either is done.
      class WhatGoes < Act
        reads :client, "see_whole"

        # @return [Hash] JSON-ready
        def call
          {
            name: workspace[:name],
            posts: rows(:posts).count,
            out: rows(:posts).where(stage: "out").count,
            pictures: rows(:media).count,
            people: rows(:memberships).where(ended_at: nil).count,
            client_people: rows(:memberships).where(ended_at: nil, side: "client").count,
            channels: rows(:channels).count,
            answers: rows(:answers).count,
            record: rows(:record).count,
            files: rows(:brand_files).where(removed_at: nil).count,
            releases: Store::Dispatch::Releases.count_planned(scope),
            open_asks:
              rows(:asks).where(withdrawn_at: nil, id: rows(:ask_lines).where(ended_at: nil).select(:ask_id)).count,
            grace_days: Delete::GRACE_DAYS
          }
        end
      end
    end
  end
end
