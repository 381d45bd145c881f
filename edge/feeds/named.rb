# frozen_string_literal: true

require "nokogiri"

module AskFirst
  module Edge
    module Feeds
      # The feed that a page names as its own (HTML, 4.6.7.1: link type "alternate").
      module Named
        ALTERNATE = "link[rel~=alternate][href]"
        TYPES = %w[application/rss+xml application/atom+xml application/feed+json application/json].freeze

        module_function

        # @param body [String] of the page
        # @param base [String] its address
        # @return [String, nil] address
        def of(body, base)
          link = Nokogiri.HTML(body).css(ALTERNATE).find { |one| TYPES.include?(one["type"].to_s.downcase) }
          link && URI.join(base, link["href"]).to_s
        rescue URI::Error
          nil
        end
      end
    end
  end
end
