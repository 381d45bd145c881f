# frozen_string_literal: true

require "ipaddr"
require "net/http"
require "resolv"
require "ssrf_filter"
require "timeout"

module AskFirst
  module Edge
    module Pages
      # Reads what stands at an address that people typed: only outside private ranges, at every hop; never more than
      # the limit, never longer than the time. That is one deadline over looking up, connecting, heads, hops and body
      # together, so nothing that a page says slowly or again and again makes it longer. Places of the settings are
      # reached where those say.
      class Reader
        HOPS = 4
        SECONDS = 8
        OPEN = 3
        LIMIT = 1024 * 1024
        ADDRESSES = 3 # of a name that has many
        HEADERS = {
          "User-Agent" => "AskFirst link preview",
          "Accept" => "text/html,application/xhtml+xml,image/*;q=0.8,*/*;q=0.5"
        }.freeze
        FAULTS = [
          SystemCallError,
          SocketError,
          IOError,
          Timeout::Error,
          OpenSSL::SSL::SSLError,
          Net::ProtocolError,
          Net::HTTPBadResponse,
          Net::HTTPHeaderSyntaxError,
          Zlib::Error
        ].freeze

        # status: of HTTP; address: after redirects; body: as far as it was read; cut: whether there was more; headers:
        # those of TOLD that it came with
        Page = Struct.new(:status, :address, :type, :body, :cut, :headers, keyword_init: true)
        TOLD = %w[etag last-modified cache-control retry-after].freeze

        # @param hosts [Hash{String=>String}] origin (RFC 6454) => "address:port" of private places that may be read,
        # in plain HTTP
        # @param names [#call] host => addresses as text
        def initialize(hosts = {}, names: Resolv.method(:getaddresses))
          @hosts = hosts
          @names = names
        end

        # @param limit [Integer] bytes
        # @param seconds [Numeric] for the whole of it
        # @param headers [Hash{String=>String}]
        # @return [Page]
        # @raise [Core::Checks::Unreadable]
        def get(address, limit: LIMIT, seconds: SECONDS, headers: HEADERS)
          Timeout.timeout(seconds) { follow(address, limit, seconds, headers) }
        rescue SsrfFilter::PrivateIPAddress
          raise unreadable("private", "")
        rescue SsrfFilter::UnresolvedHostname
          raise unreadable("silent", "the name is not known")
        rescue SsrfFilter::Error, URI::Error, ArgumentError
          raise unreadable("broken", "the address leads somewhere that is no page")
        rescue *FAULTS => e
          raise unreadable("silent", e.is_a?(Timeout::Error) ? "no answer in time" : "no connection")
        end

        private

        def unreadable(state, note) = Core::Checks::Unreadable.new(state, note)

        def follow(address, limit, seconds, headers)
          (HOPS + 1).times do
            reply, body, cut = one(address, limit, seconds, headers)
            onward = reply["location"]
            return page(reply, address, body, cut) unless reply.is_a?(Net::HTTPRedirection) && onward

            address = URI.join(address, onward).to_s
          end
          raise unreadable("broken", "it redirects more than #{HOPS} times")
        end

        def page(reply, address, body, cut)
          Page.new(
            status: reply.code.to_i,
            address: address,
            type: reply["content-type"].to_s.split(";").first.to_s.downcase,
            body: body,
            cut: cut,
            headers: TOLD.to_h { |name| [name, reply[name]] }.compact
          )
        end

        # One hop. Reading stops at the limit, with what was read until then; the body of a redirect is not read.
        def one(address, limit, seconds, headers)
          reply = nil
          body = String.new(encoding: Encoding::BINARY)
          cut =
            catch(:enough) do
              ask(address, seconds, headers) { |found| reply = found and read(found, body, limit) }
              false
            end
          [reply, body, cut]
        end

        def read(reply, body, limit)
          throw :enough, false if reply.is_a?(Net::HTTPRedirection)
          reply.read_body do |chunk|
            body << chunk.byteslice(0, limit - body.bytesize)
            throw :enough, true if body.bytesize >= limit
          end
        end

        # Net::HTTP would ask a second time by itself.
        def ask(address, seconds, headers, &block)
          times = { open_timeout: [OPEN, seconds].min, read_timeout: seconds, max_retries: 0 }
          uri = URI.parse(address)
          there = uri.is_a?(URI::HTTP) && @hosts[origin(uri)]
          return ask_there(uri, there, times, headers, &block) if there

          SsrfFilter.get(
            address,
            headers: headers,
            max_redirects: 0,
            allow_unfollowed_redirects: true,
            http_options: times,
            resolver: method(:found),
            &block
          )
        end

        # That of another port or scheme is another place.
        def origin(uri)
          "#{uri.scheme}://#{uri.host.to_s.downcase}#{":#{uri.port}" unless uri.port == uri.default_port}"
        end

        def found(name)
          @names.call(name).first(ADDRESSES).map { |address| IPAddr.new(address) }
        end

        def ask_there(uri, there, times, headers, &block)
          host, port = there.split(":")
          Net::HTTP.start(host, port.to_i, nil, **times) do |http|
            http.request(Net::HTTP::Get.new(uri.request_uri, headers.merge("Host" => uri.host)), &block)
          end
        end
      end
    end
  end
end
