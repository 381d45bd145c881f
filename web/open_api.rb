# frozen_string_literal: true

require "yaml"

module AskFirst
  module Web
    # The description of the API (OpenAPI 3.0), one file for each capability or room of one, put together. Each file is
    # a part of the whole: nothing may be said twice. What every route has in common is added here, so that the files
    # say only what is their own.
    module OpenApi
      FILES = File.expand_path("openapi/**/*.yaml", __dir__)
      METHODS = %w[get head post put patch delete].freeze
      PROBLEM = { "$ref" => "#/components/responses/Problem" }.freeze
      # Of an id in a path. An id has 36 characters; the longest thing that stands there otherwise is a secret of 43.
      ID = { "in" => "path", "required" => true, "schema" => { "type" => "string", "maxLength" => 80 } }.freeze

      module_function

      # @return [Hash] the whole document
      # @raise [ArgumentError] when two files say the same thing
      def document
        parts = Dir[FILES].map { |file| YAML.safe_load_file(file, aliases: true) }
        complete(parts.reduce({}) { |all, part| join(all, part, []) })
      end

      # @param document [Hash] as the files say it
      # @return [Hash] with a problem as the answer to whatever goes wrong, the ids that stand in each path, and objects
      #   that take no other fields than those that are named
      def complete(document)
        paths = document.fetch("paths").to_h { |path, item| [path, with_ids(path, with_problems(item))] }
        closed(document.merge("paths" => paths))
      end

      def join(one, other, at)
        one.merge(other) do |key, mine, theirs|
          next join(mine, theirs, [*at, key]) if mine.is_a?(Hash) && theirs.is_a?(Hash) && at.size < 2

          raise ArgumentError, "two files of the API's description say #{[*at, key].join(" / ")}"
        end
      end

      def with_problems(item)
        item.to_h do |method, operation|
          next method, operation unless METHODS.include?(method)

          [method, operation.merge("responses" => { "default" => PROBLEM, **operation.fetch("responses") })]
        end
      end

      def with_ids(path, item)
        said = [item, *item.values_at(*METHODS)].compact.flat_map { |part| part.fetch("parameters", []) }
        ids = path.scan(/\{(\w+)\}/).flatten - said.map { |parameter| parameter["name"] }
        return item if ids.empty?

        { **item, "parameters" => [*ids.map { |id| { "name" => id, **ID } }, *item["parameters"]] }
      end

      def closed(value)
        case value
        when Array
          value.map { |one| closed(one) }
        when Hash
          inside = value.transform_values { |one| closed(one) }
          object?(inside) ? { "additionalProperties" => false, **inside } : inside
        else
          value
        end
      end

      def object?(value) = Array(value["type"]).include?("object") && value["properties"].is_a?(Hash)
    end
  end
end
