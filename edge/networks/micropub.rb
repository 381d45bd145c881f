# frozen_string_literal: true

require "digest"
require "faraday"
require "faraday/multipart"
require "faraday/net_http_persistent"
require "net/http"
require "timeout"

module AskFirst
  module Edge
    module Networks
      # A Micropub client for one account. Source: Micropub, W3C Recommendation, 23 May 2017; its section numbers below.
      class Micropub
        TIMEOUT = 15
        CONNECTIONS = 16 # to one network for one account, as many as there are threads that send
        IDLE = 3 # seconds that one is kept open between two requests
        class TooSlow < StandardError
        end
        # No connection came about, so nothing can have arrived.
        NEVER_THERE = [
          Errno::ECONNREFUSED,
          Errno::EHOSTUNREACH,
          Errno::ENETUNREACH,
          SocketError,
          Net::OpenTimeout
        ].freeze
        private_constant :TooSlow, :NEVER_THERE
        LOOK_LIMIT = 201 * 1024 * 1024

        # @param endpoint [String] the account's Micropub address
        # @param token [String] bearer token
        def initialize(endpoint, token, timeout: TIMEOUT)
          @endpoint = endpoint
          @timeout = timeout
          @http =
            Faraday.new(
              request: {
                timeout: timeout,
                open_timeout: 5
              },
              headers: {
                "Authorization" => "Bearer #{token}"
              }
            ) do |faraday|
              faraday.request :multipart
              faraday.request :url_encoded
              # let go before a network closes it: a create on a connection that has just been closed would be unclear
              faraday.adapter(:net_http_persistent, pool_size: CONNECTIONS) { |http| http.idle_timeout = IDLE }
            end
        end

        # The network card, from the configuration query (3.7.1).
        # @return [Core::Channels::Card, nil] nil when the site declares none
        # @raise [Core::Invalid] bad_card
        def card
          found = config
          @media_endpoint = found["media-endpoint"]
          said = found["network-card"]
          said && Core::Channels::Card.parse(said)
        end

        # Sends a file to the media endpoint (3.6).
        # @return [String] its address there
        def upload(io, mime, name)
          endpoint = (@media_endpoint ||= config["media-endpoint"]) or
            raise Core::Dispatch::Unreachable, "it has no media endpoint"
          reply = guarded { @http.post(endpoint, { file: Faraday::Multipart::FilePart.new(io, mime, name) }) }
          raise Core::Dispatch::Lapsed if reply.status == 401
          unless reply.status == 201 && reply.headers["Location"]
            raise Core::Dispatch::Unreachable, "the picture was answered with #{reply.status}"
          end

          reply.headers["Location"]
        end

        # Creates the post (3.3, JSON syntax). One deadline over the whole: a reply that trickles in is no reply.
        # @return [Core::Dispatch::Outcome::Result]
        def create(request, pictures:, send_id:, now:)
          entry = JSON.generate(self.class.entry(request, pictures, send_id))
          reply =
            Timeout.timeout(@timeout, TooSlow) { @http.post(@endpoint, entry, "Content-Type" => "application/json") }
          Core::Dispatch::Outcome.of(
            reply.status,
            location: reply.headers["Location"],
            note: note(reply),
            retry_after: Core::Dispatch::Outcome.retry_after(reply.headers["Retry-After"], now)
          )
        rescue Faraday::ConnectionFailed => e
          never_there?(e) ? Core::Dispatch::Outcome.unreached(e.message) : no_reply(e)
        rescue Faraday::Error, TooSlow => e
          no_reply(e)
        end

        PROPERTY = { "picture" => "photo", "video" => "video", "document" => "document" }.freeze

        # The post as Micropub's JSON: an h-entry; a file with a description is an object with value and alt (3.3.2).
        # What some networks take beside it has names of its own, which their cards offer; a card that does not never
        # gets them.
        # @param addresses [Array<String>] of the request's media, then of its link card's picture
        def self.entry(request, addresses, send_id)
          properties = { "content" => [request["text"]], "mp-send-id" => [send_id] }
          request["media"]
            .zip(addresses)
            .each do |file, address|
              value = file["description"].to_s.empty? ? address : { "value" => address, "alt" => file["description"] }
              (properties[PROPERTY.fetch(file.fetch("kind", "picture"))] ||= []) << value
            end
          { "type" => ["h-entry"], "properties" => properties.merge(beside(request, addresses[request["media"].size])) }
        end

        def self.beside(request, card_picture)
          card =
            request["link_card"] &&
              request["link_card"]
                .slice("title", "words")
                .merge("url" => request["link"], "picture" => card_picture)
                .compact
          {
            "link-card" => card,
            "tagged" => request["tagged"],
            "first-comment" => request["first_comment"],
            "call-to-action" => request["call_to_action"],
            "post-format" => request["format"],
            "audience" => request["audience"],
            "event" => request["event"],
            "boost" => request["budget"]
          }.reject { |_, value| value.nil? || value == "" || value == [] }
            .transform_values { |value| value.is_a?(Array) ? value : [value] }
        end
        private_class_method :beside

        # Whether the network has a post with our id.
        # @return [String, nil] its address
        def find(send_id)
          reply = query("q" => "source", "mp-send-id" => send_id)
          return nil if reply.status == 404
          raise Core::Dispatch::Unreachable, "asked for the id, it answered #{reply.status}" unless reply.status == 200

          JSON.parse(reply.body)["url"]
        rescue JSON::ParserError
          raise Core::Dispatch::Unreachable, "asked for the id, it answered with what is no JSON"
        end

        # The post as the network has it (source query, 3.7.2), each picture looked at.
        # @return [Hash, nil] {"text" =>, "media" => [{"address" =>, "loads" =>}]}
        def source(address)
          reply = query("q" => "source", "url" => address)
          return nil if [400, 404, 410].include?(reply.status)
          unless reply.status == 200
            raise Core::Dispatch::Unreachable, "asked for the post, it answered #{reply.status}"
          end

          properties = JSON.parse(reply.body)["properties"] || {}
          files =
            PROPERTY.flat_map do |kind, name|
              Array(properties[name]).map { |file| [kind, file.is_a?(Hash) ? file["value"] : file] }
            end
          {
            "text" => Array(properties["content"]).first.to_s,
            "media" => files.map { |kind, file| { "address" => file, **look_at(file, kind) } },
            "link_card" => Array(properties["link-card"]).first
          }.compact
        end

        # A file as the network shows it to anybody.
        # @return [String] its bytes
        # @raise [Core::Dispatch::Unreachable]
        def file(address)
          reply = guarded { seen(address) }
          good = reply.status == 200 && reply.body.bytesize < LOOK_LIMIT
          good ? reply.body : raise(Core::Dispatch::Unreachable, "the file was answered with #{reply.status}")
        end

        private

        def never_there?(error)
          NEVER_THERE.any? { |kind| error.wrapped_exception.is_a?(kind) }
        end

        def no_reply(error)
          Core::Dispatch::Outcome.of(nil, note: "no reply arrived (#{error.class.name.split("::").last})")
        end

        def config
          reply = query("q" => "config")
          unless reply.status == 200
            raise Core::Dispatch::Unreachable, "its configuration was answered with #{reply.status}"
          end

          JSON.parse(reply.body)
        rescue JSON::ParserError
          raise Core::Dispatch::Unreachable, "its configuration is not JSON"
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

        # Whether it loads as what it is, and its digest: nothing of it is parsed here.
        def look_at(address, kind)
          reply = seen(address)
          loads = reply.status == 200 && reply.body.bytesize < LOOK_LIMIT && Files::Kinds.of(reply.body) == kind
          { "loads" => loads, "digest" => loads ? Digest::SHA256.hexdigest(reply.body) : nil }
        rescue Faraday::Error
          { "loads" => nil, "digest" => nil }
        end

        def seen(address)
          @http.get(address) { |request| request.headers.delete("Authorization") }
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
