# frozen_string_literal: true

module AskFirst
  module Store
    module Dispatch
      # Whom a client's settings name for what is published by hand, for as long as their role lets them do it: a role
      # can be changed for many clients at once, and nothing may wait for somebody who cannot.
      module Publisher
        module_function

        # @return [Sequel::Dataset] of workspaces that name somebody who may
        def named(db)
          may = Sequel.pg_array(Core::Permissions::Acts.fetch("hand_over").abilities, :text)
          here = {
            Sequel[:memberships][:workspace_id] => Sequel[:workspaces][:id],
            Sequel[:memberships][:person_id] => Sequel[:workspaces][:publisher_id],
            :ended_at => nil,
            :role_id => db[:roles].where(Sequel.lit("abilities && ?", may)).select(:id)
          }
          db[:workspaces].where(db[:memberships].where(here).select(1).exists)
        end
      end
    end
  end
end
