# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # What the checks look at, by name, so that what is fine can be said as well as what is not: each finding
      # belongs to one of these, and those without a finding are fine.
      module LookedAt
        ALL = {
          "length" => %w[text_too_long nothing_to_say first_comment_too_long],
          "hashtags" => %w[too_many_hashtags hashtag_doubled],
          "how it is read aloud" => %w[styled_letters emoji_run hidden_characters],
          "mentions and tags" => %w[mention_unspelled tag_unspelled too_many_tagged],
          "format" => %w[format_not_taken format_needs media_left_out no_such_call],
          "pictures and films" => %w[
            picture_missing
            too_many_pictures
            one_alone
            wrong_length
            no_pictures_here
            no_videos_here
            no_documents_here
          ],
          "shapes" => %w[cut_away],
          "sizes" => %w[too_small],
          "rights" => %w[right_ended],
          "words on pictures" => %w[many_words],
          "descriptions" => %w[description_missing description_too_long],
          "link" => %w[link_missing link_dead],
          "days" => %w[day_off end_is_over],
          "what goes out around it" => %w[flooding flooding_nearby repeat clash]
        }.freeze
      end
    end
  end
end
