# frozen_string_literal: true

require "faraday"
require "faraday/multipart"

module AskFirst
  module Edge
    module Networks
      # A Micropub client for one account. Source: Micropub, W3C Recommendation, 23 May 2017; its section numbers below.
      class Micropub
        TIMEOUT = 15
        LOOK_LIMIT = 20 * 1024 * 1024

        # @param endpoint [String] the account's Micropub address
        # @param token [String] bearer token
        def initialize(endpoint, token, timeout: TIMEOUT)
          @endpoint = endpoint
          @http = Faraday.new(request: { timeout: timeout, open_timeout: 5 }, headers: { "Authorization" => "Bearer #{token}" }) do |faraday|
            faraday.request :multipart
            faraday.request :url_encoded
          end
        end

        # The network card, from the configuration query (3.7.1).
        # @return [Hash, nil] nil when the site declares none
        def card
          config["network-card"]
        end

        # Sends a file to the media endpoint (3.6).
        # @return [String] its address there
        def upload(io, mime, name)
          endpoint = config["media-endpoint"] or raise Core::Dispatch::Unreachable, "it has no media endpoint"
          reply = guarded { @http.post(endpoint, { file: Faraday::Multipart::FilePart.new(io, mime, name) }) }
          raise Core::Dispatch::Lapsed if reply.status == 401
          raise Core::Dispatch::Unreachable, "the picture was answered with #{reply.status}" unless reply.status == 201 && reply.headers["Location"]

          reply.headers["Location"]
        end

        # Creates the post (3.3, JSON syntax).
        # @return [Core::Dispatch::Outcome::Result]
        def create(request, pictures:, send_id:, now:)
          reply = @http.post(@endpoint, JSON.generate(self.class.entry(request, pictures, send_id)), "Content-Type" => "application/json")
          Core::Dispatch::Outcome.of(reply.status, location: reply.headers["Location"], note: note(reply),
            retry_after: Core::Dispatch::Outcome.retry_after(reply.headers["Retry-After"], now))
        rescue Faraday::Error => e
          Core::Dispatch::Outcome.of(nil, note: "no reply arrived (#{e.class.name.split('::').last})")
        end

        # The post as Micropub's JSON: an h-entry; a picture with a description is an object with value and alt (3.3.2).
        def self.entry(request, pictures, send_id)
          photos = request["media"].zip(pictures).map do |picture, address|
            picture["description"].to_s.empty? ? address : { "value" => address, "alt" => picture["description"] }
          end
          properties = { "content" => [request["text"]], "mp-send-id" => [send_id] }
          properties["photo"] = photos if photos.any?
          { "type" => ["h-entry"], "properties" => properties }
        end

        # Whether the network has a post with our id.
        # @return [String, nil] its address
        def find(send_id)
          reply = query("q" => "source", "mp-send-id" => send_id)
          return nil if reply.status == 404
          raise Core::Dispatch::Unreachable, "asked for the id, it answered #{reply.status}" unless reply.status == 200

          JSON.parse(reply.body)["url"]
        end

        # The post as the network has it (source query, 3.7.2), each picture looked at.
        # @return [Hash, nil] {"text" =>, "media" => [{"address" =>, "loads" =>}]}
        def source(address)
          reply = query("q" => "source", "url" => address)
          return nil if [400, 404, 410].include?(reply.status)
          raise Core::Dispatch::Unreachable, "asked for the post, it answered #{reply.status}" unless reply.status == 200

          properties = JSON.parse(reply.body)["properties"] || {}
          photos = Array(properties["photo"]).map { |photo| photo.is_a?(Hash) ? photo["value"] : photo }
          { "text" => Array(properties["content"]).first.to_s, "media" => photos.map { |photo| { "address" => photo, "loads" => loads?(photo) } } }
        end

        private

        def config
          @config ||= begin
            reply = query("q" => "config")
            raise Core::Dispatch::Unreachable, "its configuration was answered with #{reply.status}" unless reply.status == 200

            JSON.parse(reply.body)
          end
        end

        def query(parameters)
          reply = guarded { @http.get(@endpoint, parameters) }
          raise Core::Dispatch::Lapsed if reply.status == 401

          reply
        end

        def guarded
          yield
        rescue Faraday::Error => e
          raise Core::Dispatch::Unreachable, e.message
        end

        def loads?(address)
          reply = @http.get(address) { |request| request.headers.delete("Authorization") }
          reply.status == 200 && reply.body.bytesize < LOOK_LIMIT && Files::Pictures.picture?(reply.body)
        rescue Faraday::Error
          nil
        end

        def note(reply)
          body = JSON.parse(reply.body)
          [reply.status, body["error"], body["error_description"]].compact.join(" ")
        rescue JSON::ParserError
          "status #{reply.status}"
        end
      end
    end
  end
end
