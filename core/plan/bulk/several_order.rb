# frozen_string_literal: true

module AskFirst
  module Core
    module Plan
      # What is asked for several posts at once: one act, and what it is done with.
      module SeveralOrder
        KINDS = %w[move clock release take_back label unlabel campaign owner copy discard bring_back].freeze
        DAYS = 366 # that something is moved by, at most
        MOST = 2_000 # posts in one batch

        module_function

        # @param kind [String] of KINDS
        # @param value [Object] move: days, more or less than 0, or a Hash of them by post · clock: such as 09:30 ·
        #   label, unlabel, campaign: its name · owner: a person's id · copy: {"workspace_id" =>, "channel_ids" =>,
        #   "days" =>}
        # @param most [Integer] posts that are taken
        # @raise [Invalid] bad_kind, too_many_posts, bad_days, bad_clock, no_channel
        def check!(kind, post_ids, value, most:)
          raise Invalid.new("bad_kind", "This cannot be done to several.", field: "kind") if KINDS.none?(kind)
          raise too_many(most) if post_ids.size > most

          case kind
          when "move"
            raise bad_days unless days?(value, post_ids)
          when "clock"
            raise bad_clock unless PencilMark::CLOCK.match?(value.to_s)
          when "copy"
            check_copy!(value)
          end
        end

        def check_copy!(value)
          raise bad_days unless value["days"].nil? || value["days"].between?(-DAYS, DAYS)
          return unless value["channel_ids"].empty?

          raise Invalid.new(
                  "no_channel",
                  "A copy needs a channel to go to.",
                  field: "channels",
                  way_on: "Choose one or more."
                )
        end

        def days?(value, post_ids)
          return post_ids.all? { |id| value[id]&.between?(-DAYS, DAYS) } if value.is_a?(Hash)

          value.is_a?(Integer) && value.between?(-DAYS, DAYS) && !value.zero?
        end

        def too_many(most)
          TooMany.new(
            "At most #{most} posts are taken at once.",
            of: "posts",
            field: "posts",
            way_on: "Send them in parts."
          )
        end

        def bad_days
          Invalid.new(
            "bad_days",
            "It can be moved by up to #{DAYS} days.",
            field: "days",
            way_on: "Say by how many days, less than 0 for earlier."
          )
        end

        def bad_clock
          Invalid.new("bad_clock", "This is no hour of a day.", field: "clock", way_on: "Write it like 09:30.")
        end
        private_class_method :check_copy!, :days?, :too_many, :bad_days, :bad_clock
      end
    end
  end
end
