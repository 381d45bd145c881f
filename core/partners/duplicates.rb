# frozen_string_literal: true

module AskFirst
  module Core
    module Partners
      # Partners that may be the same: by their name without marks, order and what firms call their form, by an address
      # in what is said of their contact, or by their link.
      module Duplicates
        # common practice, no source
        FORMS = %w[ltd limited inc gmbh ag sa sarl lda llc plc co company the and und e y].freeze
        MAIL = /[^\s,;<>()]+@[^\s,;<>()]+\.[a-z]{2,}/

        module_function

        # @param partner [Hash] name, contact, link
        # @return [Array<String>] any one that two have in common makes them alike
        def keys(partner)
          mails = partner[:contact].to_s.downcase.scan(MAIL).map { |mail| "mail #{mail}" }
          [named(partner[:name]), *mails, linked(partner[:link])].compact.uniq
        end

        # @param partners [Array<Hash>] with :id
        # @return [Hash{String=>Array<String>}] id => ids of those that may be the same; without those that are alone
        def of(partners)
          by_key = partners.flat_map { |one| keys(one).map { |key| [key, one[:id]] } }.group_by(&:first)
          same = by_key.values.map { |pairs| pairs.map(&:last).uniq }.select { |ids| ids.size > 1 }
          same.each_with_object({}) { |ids, all| ids.each { |id| all[id] = (all.fetch(id, []) | ids) - [id] } }
        end

        def named(name)
          plain = name.to_s.unicode_normalize(:nfkd).gsub(/\p{M}/, "").downcase
          words = plain.scan(/[\p{L}\p{N}]+/)
          kept = words - FORMS
          kept = words if kept.empty?
          kept.empty? ? nil : "name #{kept.sort.join(" ")}"
        end

        def linked(link)
          uri = link && URI.parse(link)
          uri && "link #{uri.host.to_s.downcase.delete_prefix("www.")}#{uri.path.to_s.chomp("/")}"
        rescue URI::Error
          nil
        end
        private_class_method :named, :linked
      end
    end
  end
end
