# frozen_string_literal: true

module AskFirst
  module Core
    module Partners
      # A person or a firm that posts are made with, as somebody of the house writes it down.
      module Partner
        KINDS = %w[person firm].freeze
        # in the order in which it goes
        STATUSES = %w[talked agreed delivered out ended].freeze
        OWING = %w[agreed].freeze # something is to be delivered by its day
        LIMITS = { "contact" => 500, "codes" => 500, "note" => 20_000, "came" => 4_000 }.freeze
        LINES = %w[contact codes].freeze
        NAME = Lengths::TITLE
        MOST = 1_000_000_000_000 # minor units

        module_function

        # @param given [Hash] any of name, kind, status, contact, link, fee, codes, due_on, note, came
        # @return [Hash{Symbol=>Object}] as they are kept
        # @raise [Invalid] name_missing, too_long, bad_link, bad_kind, bad_status, bad_day, bad_fee, bad_currency
        def clean(given)
          kept = LIMITS.slice(*given.keys).to_h { |key, limit| [key.to_sym, words(given[key], key, limit)] }
          kept[:name] = name(given["name"]) if given.key?("name")
          kept[:kind] = one_of(given["kind"], KINDS, "kind") if given.key?("kind")
          kept[:status] = one_of(given["status"], STATUSES, "status") if given.key?("status")
          kept[:link] = Posts::WebAddress.clean(given["link"]) if given.key?("link")
          kept[:due_on] = day(given["due_on"]) if given.key?("due_on")
          kept.merge(given.key?("fee") ? fee(given["fee"]) : {})
        end

        # @param today [Date] in the client's zone
        # @return [Boolean] whether what was agreed is not there by its day
        def late?(status, due_on, today) = OWING.include?(status) && !due_on.nil? && today > due_on

        def name(value)
          text = Posts::Text.line(value.to_s, field: "name", limit: NAME)
          text.empty? ? refuse("name_missing", "A partner needs a name.", "name", "Give it one.") : text
        end

        def words(value, key, limit)
          clean = LINES.include?(key) ? :line : :clean
          Posts::Text.public_send(clean, value, field: key, limit: limit).strip
        end

        def one_of(value, allowed, field)
          return value if allowed.include?(value)

          refuse("bad_#{field}", "A partner’s #{field} is #{allowed.join(", ")}.", field, "Choose one of them.")
        end

        def day(value)
          value && value != "" ? Date.iso8601(value) : nil
        rescue Date::Error, TypeError
          said = value.to_s[0, 20]
          refuse("bad_day", "“#{said}” is no day of the calendar.", "due_on", "Choose a day, or leave it empty.")
        end

        def fee(value)
          return { fee: nil, currency: nil } if value.nil?

          minor = value.is_a?(Hash) && value["minor"]
          unless minor.is_a?(Integer) && minor.between?(0, MOST)
            refuse("bad_fee", "A fee is a whole number of the currency’s smallest unit.", "fee", "Write it like 40.50.")
          end
          { fee: minor, currency: Campaigns::Currency.clean(value["currency"], field: "fee") }
        end

        def refuse(code, sentence, field, way_on)
          raise Invalid.new(code, sentence, field: field, way_on: way_on)
        end
        private_class_method :name, :words, :one_of, :day, :fee, :refuse
      end
    end
  end
end
