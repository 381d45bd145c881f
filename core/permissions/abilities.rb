# frozen_string_literal: true

module AskFirst
  module Core
    module Permissions
      # The abilities, the sentence for each, and the presets that ship. The client side has a ceiling.
      module Abilities
        SENTENCES = {
          "see" => "see drafts and house talk",
          "see_shared" => "see what was shared with the client",
          "see_results" => "see results",
          "write_copy" => "change copy",
          "write_visuals" => "change pictures and their descriptions",
          "write_timing" => "change the time",
          "write_settings" => "change subject, channels, audience and budget",
          "create" => "make posts",
          "answer_internal" => "answer an internal review",
          "answer_client" => "answer for the client",
          "work" => "do and finish tasks",
          "assign" => "assign tasks",
          "ask" => "send and withdraw asks",
          "release" => "release and take back",
          "hold" => "hold everything",
          "open" => "unlock what is locked",
          "govern_people" => "invite people and change what they may do",
          "govern_channels" => "connect, order and archive channels",
          "govern_route" => "change the sign-off route",
          "skip_steps" => "skip steps of the route, fill places and clear for others, on record",
          "govern_settings" => "change the brand sheet and the settings, and archive",
          "govern_delete" => "delete the client",
          "govern_export" => "export everything of the client",
          "look_as" => "look at the client as another member sees it"
        }.freeze
        ALL = SENTENCES.keys.freeze
        # What a person has in the agency as a whole, beside their memberships.
        AGENCY = {
          "own" => "change roles and policies, and see everything of the agency",
          "set_up" => "set up clients"
        }.freeze
        EVERY_SENTENCE = SENTENCES.merge(AGENCY).freeze

        CLIENT_CEILING = %w[see_shared answer_client see_results].freeze
        AGENCY_SIDE = (ALL - %w[see_shared answer_client]).freeze
        WRITE_ALL = %w[write_copy write_visuals write_timing write_settings create].freeze
        GOVERN = %w[
          govern_people
          govern_channels
          govern_route
          skip_steps
          govern_settings
          govern_delete
          govern_export
          look_as
        ].freeze

        # The six groups that people talk in, each with its abilities on the two sides.
        GROUPS = {
          "see" => {
            "agency" => %w[see see_results],
            "client" => %w[see_shared see_results]
          },
          "write" => {
            "agency" => WRITE_ALL,
            "client" => []
          },
          "answer" => {
            "agency" => %w[answer_internal],
            "client" => %w[answer_client]
          },
          "work" => {
            "agency" => %w[work],
            "client" => []
          },
          "run" => {
            "agency" => %w[assign ask release hold open],
            "client" => []
          },
          "govern" => {
            "agency" => GOVERN,
            "client" => []
          }
        }.freeze

        # name => [side, abilities]
        PRESETS = {
          "agency owner" => ["agency", AGENCY_SIDE],
          "account lead" => ["agency", AGENCY_SIDE - %w[skip_steps govern_delete look_as]],
          "reviewer" => ["agency", ["see", "see_results", *WRITE_ALL, "answer_internal", "work"]],
          "copywriter" => ["agency", %w[see see_results write_copy create work]],
          "designer" => ["agency", %w[see see_results write_visuals work]],
          "video editor" => ["agency", %w[see write_visuals work]],
          "assistant" => ["agency", %w[see see_results write_copy write_timing create work ask release]],
          "releaser" => ["agency", %w[see see_results write_timing release hold]],
          "client approver" => ["client", %w[see_shared answer_client see_results]],
          "client observer" => ["client", %w[see_shared see_results]]
        }.freeze

        module_function

        # What somebody may do: what their role has, within what their side can have and the policy leaves them.
        # @param owner [Boolean] an owner of the agency, whom no policy takes anything
        # @param leads_change_route [Boolean] the agency's policy
        def held(abilities, side:, owner:, leads_change_route:)
          return abilities & CLIENT_CEILING if side == "client"

          owner || leads_change_route ? abilities : abilities - ["govern_route"]
        end

        # @return [String] "all", "part" or "none" of a group
        def share(abilities, group, side)
          wanted = GROUPS.fetch(group).fetch(side)
          held = wanted & abilities
          return "none" if held.empty?

          held.size == wanted.size ? "all" : "part"
        end
      end
    end
  end
end
