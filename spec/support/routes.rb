# frozen_string_literal: true

# Every route of a client workspace, read from the API description, each as somebody could call it: with ids in the
# address and a body that fits. A route that is added is in these calls by itself.
module Routes
  Call =
    Struct.new(:verb, :template, :path, :body, :bytes, keyword_init: true) { def to_s = "#{verb.upcase} #{template}" }

  FIXED = { "parts/{part}" => "text", "brand/{part}" => "voice" }.freeze

  module_function

  def described
    AskFirst::Web::Contract.schema.open_api.raw_schema
  end

  # @param workspace [String] id for the address
  # @param ids [Hash{String=>String}] parameter's name => id; what is not named gets an id that is nowhere
  # @return [Array<Call>]
  def of(workspace, ids = {})
    described["paths"]
      .select { |template, _| template.start_with?("/api/w/") }
      .flat_map do |template, item|
        (item.keys & %w[get put post patch delete]).map do |method|
          call(method, template, item, item[method], { "workspace" => workspace }.merge(ids))
        end
      end
  end

  # @param version [Integer] that the caller says to have seen
  # @return [Array(Integer, Hash)] status and parsed body
  def make(client, call, version:)
    headers = { "HTTP_IF_MATCH" => "\"#{version}\"" }
    return client.call(call.verb, call.path, call.body, headers) unless call.bytes

    client.custom_request(
      call.verb.upcase,
      call.path,
      {},
      headers.merge("CONTENT_TYPE" => call.bytes, :input => "bytes")
    )
    [client.last_response.status, client.last_response.body.empty? ? {} : JSON.parse(client.last_response.body)]
  end

  def call(method, template, item, operation, ids)
    path = template.sub(%r{(?:parts|brand)/\{part\}}) { |part| part.sub("{part}", FIXED.fetch(part)) }
    path = path.gsub(/\{(\w+)\}/) { ids.fetch(Regexp.last_match(1)) { AskFirst::Core::Uuid.v7(Time.now) } }
    content = resolve(operation["requestBody"] || {})["content"] || {}
    body = content["application/json"] && sample(content["application/json"]["schema"])
    Call.new(
      verb: method,
      template: template,
      path: path + query(item, operation),
      body: body,
      bytes: content.keys.find { |type| type != "application/json" }
    )
  end

  def query(item, operation)
    wanted =
      [*item["parameters"], *operation["parameters"]].map { |one| resolve(one) }
        .select { |one| one["in"] == "query" && one["required"] }
    wanted.empty? ? "" : "?#{URI.encode_www_form(wanted.map { |one| [one["name"], sample(one["schema"])] })}"
  end

  def sample(schema)
    schema = resolve(schema)
    return sample(schema["oneOf"].first) if schema["oneOf"]
    return schema["enum"].first if schema["enum"]
    return schema["example"] if schema["example"]

    case schema["type"]
    when "object"
      (schema["required"] || []).to_h { |name| [name, sample(schema["properties"][name])] }
    when "array"
      [sample(schema["items"])]
    when "integer", "number"
      schema["minimum"] || 1
    when "boolean"
      false
    when "string", nil
      { "uuid" => AskFirst::Core::Uuid.v7(Time.now), "date" => "2026-10-14" }.fetch(schema["format"], "x")
    end
  end

  def resolve(schema)
    ref = schema["$ref"] or return schema

    ref.delete_prefix("#/").split("/").reduce(described) { |found, key| found.fetch(key) }
  end
end
