# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # One step of a route: who must say yes, how many, by which side.
      # quorum: "any" (one of those asked), "all" (each of them), "n" (n of them) · people: ids of those who are named
      # for it · hours: of working time that an answer may take
      Step =
        Struct.new(
          :id,
          :position,
          :name,
          :side,
          :quorum,
          :n,
          :required,
          :four_eyes,
          :people,
          :hours,
          keyword_init: true
        )
    end
  end
end
