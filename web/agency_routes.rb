# frozen_string_literal: true

module AskFirst
  module Web
    # Who I am, my Desk, and what owners see of the agency as a whole.
    module AgencyRoutes
      HEAD = %w[at client who act subject facts].freeze

      def self.notices(app)
        app.get("/api/notices") { json App::Agency::Notices.call(agency_scope) }
        app.post("/api/notices/read") do
          refuse_while_looking
          App::Agency::Notices.read(environment, agency_scope, body_json["ids"])
          done
        end
      end

      def self.desk(app)
        app.get("/api/desk") do
          json App::Agency::Desk.call(environment, agency_scope, whole: params[:whole].to_s.split(","))
        end
      end

      def self.registered(app)
        desk(app)
        app.get("/api/me") { json App::Agency::Me.call(environment, person_id, looking: looking_as) }
        app.get("/api/find") { json App::Agency::Find.call(agency_scope, params[:words]) }
        app.get("/api/alarm") { json(alarm: App::Dispatch::Alarm.of(environment, agency_scope)) }
        app.get("/api/waits") { json App::Agency::Waits.call(agency_scope) }
        notices(app)
        app.get("/api/agency/people") { json agency_act(App::Agency::People) }
        app.delete("/api/agency/people/:person/brake") do
          agency_act(App::Agency::LetIn, person_id: params[:person])
          done
        end
        app.get("/api/agency/policies") { json agency_act(App::Agency::Policies) }
        app.put("/api/agency/policies") do
          json(
            version:
              agency_act(
                App::Agency::UpdatePolicies,
                version: seen_version,
                second_factor_required: body_json["second_factor_required"],
                session_hours: body_json["session_hours"],
                mail_domains: body_json["mail_domains"],
                leads_change_route: body_json["leads_change_route"]
              )
          )
        end
        app.post("/api/agency/clients/:client/restore") do
          agency_act(App::Clients::Restore, workspace_id: params[:client])
          done
        end
        record(app)
        go_on(app)
      end

      def self.go_on(app)
        app.post("/api/agency/go-on") do
          agency_act(App::Agency::GoOn)
          done
        end
      end

      def self.record(app)
        app.get("/api/agency/record") { json agency_act(App::Agency::AgencyRecord, **AgencyRoutes.filters(params)) }
        app.get("/api/agency/record-file") do
          found =
            agency_act(
              App::Agency::AgencyRecord,
              **AgencyRoutes.filters(params),
              limit: App::Agency::AgencyRecord::MOST
            )
          names = App::Agency::Me.call(environment, person_id)[:workspaces].to_h { |one| [one[:id], one[:name]] }
          AgencyRoutes.file(self, found[:rows], names, params[:as])
        end
      end

      def self.filters(params)
        {
          of: params[:of] || "clients",
          workspace: params[:workspace],
          person: params[:person],
          act: params[:act],
          from: params[:from],
          to: params[:to],
          before: params[:before]
        }.compact
      end

      def self.file(reply, rows, names, as)
        reply.headers "content-disposition" => "attachment; filename=\"record.#{as}\""
        if as == "csv"
          reply.content_type "text/csv; charset=utf-8"
          lines =
            rows.map { |row| [row[:at], names[row[:workspace_id]], row[:who], row[:act], row[:subject], row[:facts]] }
          reply.halt 200, Core::Exchange::Table.csv(HEAD, lines)
        else
          reply.content_type "application/json"
          reply.halt 200, JSON.pretty_generate(rows.map { |row| row.merge(client: names[row[:workspace_id]]) })
        end
      end
    end
  end
end
