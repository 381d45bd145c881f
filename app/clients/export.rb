# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Everything of a client in open formats: the tables as JSON, posts and record as CSV too, all files. What the
      # client owns is theirs, without this program.
      class Export < Act
        opens :client, "export"

        # what only this installation has a use for: secrets and digests of links
        LEFT_OUT = %w[guest_passes guest_visits connect_tries notices idea_addresses].freeze
        WITHOUT = { "connections" => %i[token refresh_token], "invitations" => %i[digest] }.freeze

        # @param path [String] of a temporary file that the archive is written to
        def call(path:)
          environment
            .archive
            .write(path) do |add|
              add.call("client.json", pretty(workspace.except(:logo)))
              tables.each { |table| add.call("tables/#{table}.json", pretty(all(table))) }
              add.call("posts.csv", posts)
              add.call("record.csv", record_csv)
              files.each { |name, key| environment.files.open(key) { |io| add.call(name, io) } }
            end
          record("exported", facts: { posts: rows(:posts).count })
          "#{workspace[:name].downcase.gsub(/[^\p{L}\p{N}]+/, "-")}.zip"
        end

        private

        def tables = Store::Clients::Tables.names(environment.db) - LEFT_OUT

        def all(table)
          rows(table.to_sym).all.map { |row| Store::Clients::Tables.plain(row.except(*WITHOUT.fetch(table, []))) }
        end

        def pretty(value)
          JSON.pretty_generate(value)
        end

        def posts
          texts = rows(:parts).where(channel_id: nil, part: "text").select_hash(:post_id, :value)
          channels = Store::Clients::Tables.channels_of_posts(scope)
          lines =
            rows(:posts)
              .order(:id)
              .map do |row|
                [
                  row[:id],
                  row[:subject],
                  row[:stage],
                  row[:at]&.iso8601,
                  channels.fetch(row[:id], []).join(", "),
                  texts[row[:id]]
                ]
              end
          Core::Exchange::Table.csv(%w[id subject stage at channels text], lines)
        end

        def record_csv
          lines =
            rows(:record)
              .order(:order_no)
              .map do |row|
                [row[:at].iso8601(3), names[row[:person_id]] || row[:process], row[:act], row[:post_id], row[:facts]]
              end
          Core::Exchange::Table.csv(%w[at who act post facts], lines)
        end

        def files
          kinds = { jpeg: "jpg", png: "png", webp: "webp" }
          media =
            rows(:media)
              .select(:id, :file, :mime)
              .map { |row| ["media/#{row[:id]}.#{kinds.fetch(row[:mime].split("/").last.to_sym, "bin")}", row[:file]] }
          media +
            rows(:brand_files)
              .where(removed_at: nil)
              .map { |row| ["#{beside(row)}/#{row[:id][-6..]}-#{row[:name].tr("/", "-")}", row[:file]] }
        end

        def beside(file)
          return "posts" if file[:post_id]

          file[:campaign_id] ? "campaigns" : "brand"
        end
      end
    end
  end
end
