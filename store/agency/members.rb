# frozen_string_literal: true

module AskFirst
  module Store
    module Agency
      # Who is a member where, with which abilities. Ended memberships do not exist here.
      module Members
        module_function

        # @return [Array<Hash>] memberships of a person with their workspace
        def of_person(db, person_id)
          base(db).where(Sequel[:memberships][:person_id] => person_id).order(Sequel[:workspaces][:name]).all
        end

        def find(db, person_id, workspace_id)
          base(db).where(Sequel[:memberships][:person_id] => person_id, Sequel[:memberships][:workspace_id] => workspace_id).first
        end

        def of_workspace(db, workspace_ids)
          base(db).where(Sequel[:memberships][:workspace_id] => workspace_ids).order(Sequel[:people][:name]).all
        end

        def base(db)
          db[:memberships].where(ended_at: nil)
                          .join(:people, id: Sequel[:memberships][:person_id])
                          .join(:roles, id: Sequel[:memberships][:role_id])
                          .join(:workspaces, id: Sequel[:memberships][:workspace_id])
                          .select(Sequel[:memberships][:workspace_id], :person_id, Sequel[:memberships][:side], :title, :abilities, :since,
                            Sequel[:people][:name].as(:name), :email, Sequel[:people][:zone].as(:person_zone), Sequel[:roles][:name].as(:role),
                            Sequel[:workspaces][:name].as(:workspace_name), :mark, :edge, Sequel[:workspaces][:zone].as(:workspace_zone), :week_start, :time_policy)
        end
      end
    end
  end
end
