# frozen_string_literal: true

require "sinatra/base"
require "json"

module StandIns
  # Micropub (W3C Recommendation, 23 May 2017) for every network, with its media endpoint and its error words.
  class MicropubPages < Sinatra::Base
    set :environment, :production
    set :protection, false
    set :host_authorization, permitted_hosts: []

    helpers do
      def network
        settings.networks.fetch(params[:network]) { halt 404 }
      end

      def base
        "#{request.base_url}/networks/#{network.slug}"
      end

      def reply(status, body)
        halt status, { "content-type" => "application/json" }, JSON.generate(body)
      end

      def refuse(status, word, sentence)
        reply(status, "error" => word, "error_description" => sentence)
      end

      def account
        @account ||=
          begin
            token = request.env["HTTP_AUTHORIZATION"].to_s.delete_prefix("Bearer ")
            found = network.account_of(token, params[:account])
            refuse(401, "unauthorized", "The access token is not known.") if found.nil?
            refuse(401, "unauthorized", "The access token has expired.") if network.fault(found.handle, "lapsed")
            found
          end
      end

      def address_of(post)
        "#{base}/@#{post.handle}/#{post.id}"
      end

      def post_at(url)
        network.find(url.to_s.split("/").last.to_s)
      end
    end

    get %r{/networks/(?<network>[a-z]+)/micropub(?:/(?<account>[\w.-]+))?} do
      account
      case params["q"]
      when "config"
        reply(
          200,
          "media-endpoint" => params[:account] ? "#{base}/media/of/#{params[:account]}" : "#{base}/media",
          "syndicate-to" => [],
          "network-card" => network.card
        )
      when "syndicate-to"
        reply(200, "syndicate-to" => [])
      when "source"
        source
      else
        refuse(400, "invalid_request", "This query is not known.")
      end
    end

    helpers do
      def source
        if params["mp-send-id"]
          unless network.card["finds_by_id"]
            refuse(400, "invalid_request", "Posts cannot be asked for by the sender's id here.")
          end
          found = network.find_by_send_id(account.handle, params["mp-send-id"])
        else
          found = post_at(params["url"])
        end
        found = nil if found && !network.shows?(found)
        refuse(404, "not_found", "There is no such post.") if found.nil?

        reply(200, "type" => ["h-entry"], "properties" => found.properties, "url" => address_of(found))
      end

      # JSON or form-encoded, as the Recommendation's section 3.3 has both.
      def entry
        if request.media_type == "application/json"
          JSON.parse(request.body.read)
        else
          form = params.except("network", "access_token")
          return form if form["action"]

          { "type" => ["h-#{form["h"]}"], "properties" => form.except("h").transform_values { |value| Array(value) } }
        end
      rescue JSON::ParserError
        refuse(400, "invalid_request", "The body is not JSON.")
      end
    end

    post %r{/networks/(?<network>[a-z]+)/micropub(?:/(?<account>[\w.-]+))?} do
      account
      body = entry
      case body["action"]
      when nil
        create(body)
      when "update"
        update(body)
      when "delete"
        delete(body)
      else
        refuse(400, "invalid_request", "This action is not known.")
      end
    end

    helpers do
      def create(body)
        handle = account.handle
        before_accepting(handle)
        properties = body.fetch("properties") { refuse(400, "invalid_request", "The post has no properties.") }
        send_id = properties["mp-send-id"]&.first
        kept = properties.reject { |name, _| name.start_with?("mp-") }
        kept = kept.except("photo") if network.fault(handle, "drop_picture")
        kept = kept.merge("photo" => [other_picture(kept["photo"])]) if network.fault(handle, "other_picture")
        late = network.fault(handle, "show_late")
        late ||= network.fault(handle, "never_show")&.merge(seconds: 10 * 365 * 86_400)
        made = network.create(handle, kept, send_id, delay: late ? late[:seconds] : 0)
        after_accepting(handle)
        odd_reply(handle, made)
        other = network.fault(handle, "other_address") && network.of(handle).find { |post| post != made }
        halt 201, { "location" => address_of(other || made) }, ""
      end

      # It is taken, and the reply does not say so as it should.
      def odd_reply(handle, made)
        halt 201, {}, "" if network.fault(handle, "no_address")
        halt 307, { "location" => "#{base}/elsewhere" }, "" if network.fault(handle, "redirect")
        return unless network.fault(handle, "long_reply")

        halt 201, { "location" => address_of(made), "content-type" => "application/json" }, "{#{" " * 10_485_760}}"
      end

      def before_accepting(handle)
        slow = network.fault(handle, "slow")
        sleep slow[:seconds] if slow
        busy = network.fault(handle, "busy")
        if busy
          halt 429,
               { "retry-after" => busy[:seconds].to_s, "content-type" => "application/json" },
               JSON.generate("error" => "too_many_requests")
        end
        refuse(500, "server_error", "Something broke before the post was taken.") if network.fault(handle, "broken")
        refuse(400, "invalid_request", "The post is not taken here.") if network.fault(handle, "refuse")
      end

      def after_accepting(handle)
        hang = network.fault(handle, "hang_after_accepting")
        sleep hang[:seconds] if hang
        halt 502, "bad gateway" if network.fault(handle, "bad_gateway_after_accepting")
      end

      def update(body)
        found = post_at(body["url"]) or refuse(404, "not_found", "There is no such post.")
        network.change(found.id, body.fetch("replace", {}))
        halt 204
      end

      def delete(body)
        found = post_at(body["url"]) or refuse(404, "not_found", "There is no such post.")
        network.delete(found.id)
        halt 204
      end
    end

    helpers do
      # As many networks do with what is larger than they show.
      def smaller(io)
        StringIO.new(Vips::Image.thumbnail_buffer(io.read, 300).jpegsave_buffer(Q: 70))
      end

      # Of another post of the network.
      def other_picture(photos)
        own = photos.map { |one| one.is_a?(Hash) ? one["value"] : one }
        (network.pictures.map { |id| "#{base}/media/#{id}" } - own).last
      end
    end

    # under a grant the media endpoint is the account's own
    post %r{/networks/(?<network>[a-z]+)/media(?:/of/(?<account>[\w.-]+))?} do
      account
      file = params["file"] or refuse(400, "invalid_request", "There is no file.")
      kept = network.fault(account.handle, "saves_anew") ? smaller(file["tempfile"]) : file["tempfile"]
      id = network.keep_file(kept, file["type"] || "application/octet-stream")
      halt 201, { "location" => "#{base}/media/#{id}" }, ""
    end

    get "/networks/:network/media/:id" do
      path = network.file(params[:id]) or halt 404
      send_file path
    end
  end
end
