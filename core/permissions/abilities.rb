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
          "open" => "open what is sealed",
          "govern" => "change people, channels and the route"
        }.freeze
        ALL = SENTENCES.keys.freeze
        CLIENT_CEILING = %w[see_shared answer_client see_results].freeze
        WRITE_ALL = %w[write_copy write_visuals write_timing write_settings create].freeze

        # name => [side, abilities]
        PRESETS = {
          "agency owner" => ["agency", ALL - %w[answer_client see_shared]],
          "account lead" => ["agency", ALL - %w[answer_client see_shared govern]],
          "reviewer" => ["agency", ["see", *WRITE_ALL, "answer_internal", "work"]],
          "copywriter" => ["agency", %w[see write_copy create work]],
          "designer" => ["agency", %w[see write_visuals work]],
          "assistant" => ["agency", %w[see write_copy write_timing create work ask release]],
          "client approver" => ["client", %w[see_shared answer_client see_results]],
          "client observer" => ["client", %w[see_shared see_results]]
        }.freeze
      end
    end
  end
end
