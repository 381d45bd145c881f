# frozen_string_literal: true

module AskFirst
  module Core
    module Permissions
      # What can be done, as a table: the ability that it needs, and which further rules play a part.
      #
      # own: [ability for one's own, ability for other people's] · reads: also while only looking, and in an archived
      # client · archive: a change that is possible in an archived client · asked: only with a place in the open ask ·
      # unsealed: not while the content is sealed · whole: concerns the whole client, so nobody who is limited to
      # channels
      module Acts
        Entry = Struct.new(:abilities, :own, :reads, :archive, :asked, :unsealed, :whole, keyword_init: true)

        def self.needs(*abilities, **rules)
          Entry.new(abilities: abilities, **rules).freeze
        end
        private_class_method :needs

        WRITE = {
          "copy" => "write_copy",
          "visuals" => "write_visuals",
          "timing" => "write_timing",
          "all" => "write_settings"
        }.freeze

        TABLE = {
          "see_post" => needs("see", reads: true),
          "house_talk" => needs("see"),
          "client_talk" => needs("see", "see_shared"),
          "make_post" => needs("create"),
          "share_view" => needs("create", "write_timing", whole: true),
          "pencil" => needs("create", "write_timing"),
          "plan_dates" => needs("create", "write_timing", whole: true),
          "see_shared_plan" => needs("see", "see_shared", reads: true),
          "share_plan" => needs("ask", whole: true),
          "keep_out" => needs("ask"),
          "see_campaign" => needs("see", reads: true),
          "plan_campaign" => needs("write_settings", whole: true),
          "order_labels" => needs("write_settings", whole: true),
          "discard" => needs("create"),
          "rename" => needs("write_settings"),
          "change_owner" => needs("assign", "write_settings"),
          "save_mention" => needs("write_copy"),
          "save_reminders" => needs("assign", whole: true),
          "choose_channels" => needs("write_settings"),
          "add_media" => needs("write_visuals"),
          "see_ideas" => needs("see", reads: true),
          "keep_idea" => needs(own: %w[see create]),
          "vote_idea" => needs("see"),
          "order_ideas" => needs("create", "write_settings"),
          "keep_feed" => needs("create", whole: true),
          "see_partners" => needs("see", reads: true, whole: true),
          "keep_partner" => needs("create", "write_settings", whole: true),
          "give_idea" => needs("see_shared"),
          "see_given_ideas" => needs("see_shared", reads: true),
          "ask" => needs("ask"),
          "withdraw" => needs("ask"),
          "answer_internal" => needs("answer_internal", asked: true),
          "answer_client" => needs("answer_client", asked: true),
          "release" => needs("release"),
          "take_back" => needs("release"),
          "settle" => needs("release"),
          "hand_over" => needs("release", "work"),
          "mark_ready" => needs("release"),
          "hold" => needs("hold"),
          "hold_all" => needs("hold", whole: true),
          "open" => needs("open"),
          "close" => needs("open"),
          "assign" => needs("assign"),
          "finish_task" => needs(own: %w[work assign]),
          "rule" => needs("skip_steps"),
          "change_route" => needs("govern_route", whole: true),
          "choose_route" => needs("govern_route"),
          "choose_campaign_route" => needs("govern_route", whole: true),
          "see_people" => needs("see", reads: true),
          "see_figures" => needs("see", "see_results", reads: true),
          "share_figures" => needs("ask", whole: true),
          "see_record" => needs("see", reads: true),
          "see_passes" => needs("ask", reads: true, whole: true),
          "see_brand" => needs("see", reads: true),
          "invite" => needs("govern_people"),
          "change_member" => needs("govern_people"),
          "look_as" => needs("look_as", reads: true),
          "connect" => needs("govern_channels"),
          "add_channel" => needs("govern_channels", whole: true),
          "order_channels" => needs("govern_channels", whole: true),
          "see_whole" => needs("see", reads: true, whole: true),
          "change_settings" => needs("govern_settings", whole: true),
          "archive" => needs("govern_settings", archive: true, whole: true),
          "delete_client" => needs("govern_delete", archive: true, whole: true),
          "export" => needs("govern_export", archive: true, whole: true),
          "agency_own" => needs("own", reads: true),
          "set_up" => needs("set_up")
        }.merge(
          Posts::Parts::GROUPS.to_h do |part, groups|
            [
              "write:#{part}",
              needs(
                *groups.map { |group| WRITE.fetch(group) },
                unsealed: Posts::Parts::MATERIAL.include?(part) || part == "time"
              )
            ]
          end
        ).freeze

        # those of a workspace, which the interface asks about all at once
        IN_WORKSPACE =
          (TABLE.keys - %w[agency_own set_up answer_internal answer_client give_idea see_given_ideas]).freeze

        module_function

        # @raise [KeyError] for what nobody defined
        def fetch(act)
          TABLE.fetch(act)
        end

        # @param own [Boolean] whether it is the member's own thing
        # @return [Array<String>] abilities, any one of which is enough
        def abilities(act, own)
          entry = fetch(act)
          return entry.abilities unless entry.own

          own ? entry.own : entry.own.drop(1)
        end
      end
    end
  end
end
