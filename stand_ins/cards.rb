# frozen_string_literal: true

module StandIns
  # The network cards that the invented networks hand out with q=config. The values are their own.
  CARDS = {
    "ticker" => {
      "name" => "Ticker", "initials" => "Ti", "kind" => "short text", "link_card" => false,
      "text" => { "rule" => "weighted", "limit" => 300, "link" => 24, "emoji" => 2, "default" => 2, "ranges" => [[0, 0x24FF, 1]] },
      "media" => { "needed" => false, "most" => 4, "max_side" => 2048 },
      "finds_by_id" => true, "same_id_once" => false, "settles_within" => 2
    },
    "vitrine" => {
      "name" => "Vitrine", "initials" => "Vi", "kind" => "pictures", "link_card" => false,
      "text" => { "rule" => "graphemes", "limit" => 2000, "fold" => 120 },
      "media" => { "needed" => true, "most" => 12, "ratio" => [[4, 5], [2, 1]], "max_side" => 1600 },
      "finds_by_id" => false, "same_id_once" => true, "settles_within" => 1
    }
  }.freeze
end
