# frozen_string_literal: true

require "uri"

module AskFirst
  module Core
    module Posts
      # Tracking tags: utm_source, utm_medium, utm_campaign, utm_term and utm_content, put at the end of an address's
      # query without disturbing what stands there. Source: WHATWG URL, application/x-www-form-urlencoded serializing.
      module Tracking
        NAMES = %w[source medium campaign term content].freeze
        PLACES = {
          "network" => "the network's name",
          "channel" => "the channel's name",
          "campaign" => "the campaign's name",
          "client" => "the client's name"
        }.freeze
        PLACE = /\{([a-z]+)\}/
        LIMIT = 100

        module_function

        # @param value [Hash] tag name => text; empty ones are left out
        # @param templates [Boolean] whether {network} and its like may stand in it
        # @raise [Invalid] bad_tags
        def clean(value, templates: false)
          unless value.is_a?(Hash) && (value.keys - NAMES).empty?
            refuse("Tags are source, medium, campaign, term and content.")
          end

          NAMES
            .filter_map do |name|
              text = Text.clean(value[name].to_s, field: "tracking", limit: LIMIT).strip
              unknown = templates ? text.scan(PLACE).flatten - PLACES.keys : []
              if unknown.any?
                refuse(
                  "“{#{unknown.first}}” is nothing that can be filled in.",
                  "Use #{PLACES.keys.map { |place| "{#{place}}" }.join(", ")}."
                )
              end
              [name, text] unless text.empty?
            end
            .to_h
        end

        # Fills the workspace's defaults in for one channel. A tag with a place that has nothing to say is left out.
        # @param defaults [Hash] tag name => template
        # @param values [Hash] place => text
        # @return [Hash] tag name => text
        def fill(defaults, values)
          filled =
            defaults.to_h do |name, template|
              missing = template.scan(PLACE).flatten.any? { |place| slug(values[place]).empty? }
              [name, missing ? "" : template.gsub(PLACE) { slug(values[Regexp.last_match(1)]) }]
            end
          NAMES.filter_map { |name| [name, filled[name]] unless filled[name].to_s.empty? }.to_h
        end

        # @return [String] lower case, words joined by hyphens
        def slug(text)
          text.to_s.unicode_normalize(:nfc).downcase.scan(/[\p{L}\p{M}\p{N}]+/).join("-")
        end

        # @param address [String]
        # @param tags [Hash]
        # @return [String] the address with those tags that it does not have yet
        def append(address, tags)
          rest, fragment = address.split("#", 2)
          base, query = rest.split("?", 2)
          wanted = missing(query, tags)
          return address if wanted.empty?

          pairs = wanted.map { |name, value| "utm_#{name}=#{URI.encode_www_form_component(value)}" }.join("&")
          joined = query.to_s.empty? ? pairs : "#{query.delete_suffix("&")}&#{pairs}"
          "#{base}?#{joined}#{"##{fragment}" unless fragment.nil?}"
        end

        def missing(query, tags)
          there = query.to_s.split("&").map { |pair| pair.split("=", 2).first.to_s.downcase }
          # in one order, whatever the order in which they were kept: another order would be another address
          NAMES.filter_map { |name| [name, tags[name]] if tags[name] && !there.include?("utm_#{name}") }
        end

        def refuse(sentence, way_on = nil)
          raise Invalid.new("bad_tags", sentence, field: "tracking", way_on: way_on)
        end
        private_class_method :refuse, :missing
      end
    end
  end
end
