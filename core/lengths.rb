# frozen_string_literal: true

module AskFirst
  module Core
    # How long what people type may be, in code points, wherever it is typed: the page's fields take no more, and the
    # acts refuse it. Common practice, no source.
    module Lengths
      NAME = 60 # of what stands in lists: a channel, a set, a label, a role, a route and its steps, a folder, a view
      TITLE = 120 # of somebody or something by itself: a person, a client, a campaign, a partner, a feed
      SUBJECT = 300 # of a post
      IDEA_TITLE = 300
      WORD = 80 # in a plan: a pencil mark, a fixture, a key date
      TASK = 200
      REASON = 1_000 # of a ruling or a hold
      PLACE = 500 # where something was published by hand
      WORDS = 4_000 # said to somebody: with an ask, an answer, a task, a note
      GOAL = 400 # of a campaign
      BRIEF = 20_000
      SEARCH = 100

      # @return [Hash{Symbol=>Integer}] by name, for the page
      def self.all = constants(false).sort.to_h { |name| [name.downcase, const_get(name)] }
    end
  end
end
