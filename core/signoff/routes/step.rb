# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # One step of a route: who must say yes, how many, by which side.
      # quorum: "any" (one of those asked), "all" (each of them), "n" (n of them) · people: ids of those who are named
      # for it, or have a role that is · roles: ids of these roles · hours: of working time that an answer may take ·
      # condition: when it is wanted, nil for always
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
          :roles,
          :hours,
          :condition,
          keyword_init: true
        ) do
          # @param facts [Condition::Facts]
          def wanted?(facts) = condition.nil? || condition.met?(facts)
        end
    end
  end
end
