# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What of a master may go to another client: words, link, media and their descriptions. Spellings of mentions,
      # tags on pictures, budgets and tracking tags belong to the client they were made for.
      module PartsForElsewhere
        KEPT = %w[text link media framing descriptions first_comment format].freeze

        module_function

        # @param master [Hash] resolved parts
        # @return [Hash] those that hold something
        def of(master)
          parts = master.slice(*KEPT)
          parts =
            parts.merge(
              %w[text first_comment].to_h do |part|
                [part, parts[part].gsub(Core::Posts::Mentions::TOKEN) { Regexp.last_match(1) }]
              end
            )
          parts["link"] = parts["link"] && { "address" => parts["link"]["address"] }
          parts.reject { |part, value| value == Core::Posts::Parts::NOTHING.fetch(part) && part != "media" }
        end

        # @param files [Hash{String=>String}] media id => id of its copy
        def with_files(parts, files)
          moved = parts.merge("media" => parts["media"].map { |id| files.fetch(id) })
          %w[framing descriptions].each do |part|
            moved[part] = parts[part].slice(*files.keys).transform_keys(files) if parts[part]
          end
          moved.reject { |part, value| value == Core::Posts::Parts::NOTHING.fetch(part) }
        end
      end
    end
  end
end
