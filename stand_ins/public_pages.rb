# frozen_string_literal: true

require "sinatra/base"
require "json"
require "cgi"

module StandIns
  # What an audience sees: a page and a feed for each account, and a page for each post.
  class PublicPages < Sinatra::Base
    set :environment, :production
    set :protection, false
    set :host_authorization, permitted_hosts: []

    STYLE =
      "body{font:16px/1.5 sans-serif;max-width:34em;margin:2em auto;padding:0 " \
        "1em;background:#f4f4f2;color:#222}article{background:#fff;padding:1em;margin:1em 0}" \
        "img{max-width:100%}time{color:#666;font-size:13px}p{white-space:pre-line}"

    helpers do
      def network = settings.networks.fetch(params[:network]) { halt 404 }
      def h(text) = CGI.escapeHTML(text.to_s)
      def base = "#{request.base_url}/networks/#{network.slug}"
      def account = network.accounts[params[:handle]] || halt(404)

      def page(title, body)
        "<!doctype html><html lang=\"en\"><meta " \
          "charset=\"utf-8\"><title>#{h title}</title><style>#{STYLE}</style><h1>#{h title}</h1>#{body}</html>"
      end

      def files(post)
        films =
          Array(post.properties["video"]).map do |film|
            "<video controls src=\"#{h film.is_a?(Hash) ? film["value"] : film}\"></video>"
          end
        films.join +
          Array(post.properties["document"])
            .map { |file| "<p><a href=\"#{h file.is_a?(Hash) ? file["value"] : file}\">the document</a></p>" }
            .join
      end

      # What this network takes beside the post itself.
      def beside(properties)
        first = ->(name) { Array(properties[name]).first }
        card = first.call("link-card")
        event = first.call("event")
        [
          card &&
            "<blockquote><b>#{h card["title"]}</b><br>#{h card["words"]}<br><a " \
              "href=\"#{h card["url"]}\">#{h card["url"]}</a></blockquote>",
          event && "<p>#{h event["name"]}, #{h event["starts"].tr("T", " ")}, #{h event["place"]}</p>",
          first.call("call-to-action") && "<p><button>#{h first.call("call-to-action")}</button></p>",
          properties["tagged"]&.any? && "<p>With #{properties["tagged"].map { |one| h(one["id"]) }.join(", ")}</p>",
          first.call("first-comment") && "<p><small>First comment: #{h first.call("first-comment")}</small></p>"
        ].select { |part| part }.join
      end

      def article(post)
        pictures =
          Array(post.properties["photo"]).map do |photo|
            value, alt = photo.is_a?(Hash) ? photo.values_at("value", "alt") : [photo, ""]
            "<img src=\"#{h value}\" alt=\"#{h alt}\">"
          end
        text = Array(post.properties["content"]).first
        "<article id=\"#{post.id}\">#{pictures.join}#{files(post)}<p>#{h text}</p>#{beside(post.properties)}" \
          "<time>#{h post.at}</time> <a href=\"#{base}/@#{post.handle}/#{post.id}\">this post</a></article>"
      end
    end

    get "/networks/:network/@:handle" do
      page("#{account.name} on #{network.card["name"]}", network.of(account.handle).map { |post| article(post) }.join)
    end

    get "/networks/:network/@:handle/feed.json" do
      content_type "application/feed+json"
      items =
        network
          .of(account.handle)
          .map do |post|
            {
              id: "#{base}/@#{post.handle}/#{post.id}",
              url: "#{base}/@#{post.handle}/#{post.id}",
              content_text: Array(post.properties["content"]).first,
              date_published: post.at
            }
          end
      JSON.generate(
        version: "https://jsonfeed.org/version/1.1",
        title: account.name,
        home_page_url: "#{base}/@#{account.handle}",
        items: items
      )
    end

    get "/networks/:network/@:handle/:id" do
      found = network.find(params[:id])
      halt 404, page("Not here", "") unless found && network.shows?(found)
      page("#{account.name} on #{network.card["name"]}", article(found))
    end
  end
end
