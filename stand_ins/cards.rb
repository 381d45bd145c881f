# frozen_string_literal: true

module StandIns
  # The network cards that the invented networks hand out. The values are their own. Among the six every combination of
  # "finds by id" and "same id once" occurs.
  CARDS = {
    "ticker" => {
      "name" => "Ticker",
      "initials" => "Ti",
      "kind" => "short text",
      "link_card" => false,
      "text" => {
        "rule" => "weighted",
        "limit" => 300,
        "link" => 24,
        "emoji" => 2,
        "default" => 2,
        "ranges" => [[0, 0x24FF, 1]]
      },
      "media" => {
        "needed" => false,
        "most" => 4,
        "kinds" => %w[picture video],
        "max_side" => 2048,
        "description" => 1000
      },
      "formats" => %w[text picture pictures video],
      "tagged" => {
        "most" => 10
      },
      "finds_by_id" => true,
      "same_id_once" => false,
      "settles_within" => 2
    },
    "vitrine" => {
      "name" => "Vitrine",
      "initials" => "Vi",
      "kind" => "pictures",
      "link_card" => false,
      "text" => {
        "rule" => "graphemes",
        "limit" => 2000,
        "fold" => 120
      },
      "hashtags" => {
        "most" => 25
      },
      "media" => {
        "needed" => true,
        "most" => 12,
        "kinds" => %w[picture video],
        "ratio" => [[4, 5], [2, 1]],
        "one_shape" => true,
        "max_side" => 1600,
        "min_side" => 400
      },
      "formats" => %w[picture pictures video],
      "tagged" => {
        "most" => 20
      },
      "first_comment" => {
        "limit" => 2000
      },
      "budget" => true,
      "finds_by_id" => false,
      "same_id_once" => true,
      "settles_within" => 1
    },
    "guildhall" => {
      "name" => "Guildhall",
      "initials" => "Gu",
      "kind" => "working life",
      "link_card" => true,
      "text" => {
        "rule" => "graphemes",
        "limit" => 2800,
        "fold" => 200
      },
      "media" => {
        "needed" => false,
        "most" => 8,
        "kinds" => %w[picture document],
        "max_side" => 2048
      },
      "formats" => %w[text picture pictures link document],
      "first_comment" => {
        "limit" => 1250
      },
      "finds_by_id" => true,
      "same_id_once" => true,
      "settles_within" => 1
    },
    "commons" => {
      "name" => "Commons",
      "initials" => "Co",
      "kind" => "community pages",
      "link_card" => true,
      "keeps_planned" => true,
      "text" => {
        "rule" => "utf16_units",
        "limit" => 60_000
      },
      "media" => {
        "needed" => false,
        "most" => 10,
        "kinds" => %w[picture video],
        "max_side" => 2048
      },
      "formats" => %w[text picture pictures video link],
      "call_to_action" => {
        "kinds" => ["Book now", "Call us", "Learn more", "Write to us"]
      },
      "audience" => %w[places languages],
      "budget" => true,
      "finds_by_id" => false,
      "same_id_once" => false,
      "settles_within" => 3
    },
    "spool" => {
      "name" => "Spool",
      "initials" => "Sp",
      "kind" => "short upright video",
      "link_card" => false,
      "text" => {
        "rule" => "graphemes",
        "limit" => 2000
      },
      "media" => {
        "needed" => true,
        "kinds" => ["video"],
        "most" => 1,
        "ratio" => [[9, 16], [9, 16]],
        "max_side" => 1920,
        "seconds" => [5, 120]
      },
      "formats" => %w[video story],
      "by_hand" => %w[story],
      "finds_by_id" => true,
      "same_id_once" => false,
      "settles_within" => 8
    },
    "noticeboard" => {
      "name" => "Noticeboard",
      "initials" => "No",
      "kind" => "local listings",
      "link_card" => false,
      "text" => {
        "rule" => "graphemes",
        "limit" => 1400
      },
      "media" => {
        "needed" => false,
        "most" => 1,
        "max_side" => 1600
      },
      "formats" => %w[text picture],
      "call_to_action" => {
        "kinds" => ["Book now", "Call us", "Visit us"]
      },
      "event" => true,
      "finds_by_id" => false,
      "same_id_once" => true,
      "settles_within" => 4
    }
  }.freeze
end
