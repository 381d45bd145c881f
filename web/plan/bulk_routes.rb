# frozen_string_literal: true

module AskFirst
  module Web
    module Plan
      # One act over several posts: at once, or by itself over many.
      module BulkRoutes
        def self.registered(app)
          app.post("/api/w/:workspace/plan/several") do
            said = BulkRoutes.read(body_json)
            json({ posts: act(App::Plan::Several, **said, dry: body_json["dry"] == true) })
          end
          app.post("/api/w/:workspace/plan/drafts") do
            json({ ids: act(App::Plan::CreateDrafts, cells: body_json["cells"]) }, 201)
          end
          app.get("/api/plan/batches") { json({ batches: App::Plan::BatchList.call(agency_scope) }) }
          app.post("/api/w/:workspace/plan/batches") do
            json({ id: act(App::Plan::BeginBatch, **BulkRoutes.read(body_json)) }, 201)
          end
          one(app)
        end

        def self.one(app)
          app.get("/api/w/:workspace/plan/batches/:batch") do
            found = act(App::Plan::BatchDetail, batch_id: params[:batch])
            order = BulkRoutes.order(found[:kind], found[:value])
            json found.slice(:total, :ended, :stopped, :posts).merge(order: order)
          end
          app.post("/api/w/:workspace/plan/batches/:batch/stop") do
            act(App::Plan::StopBatch, batch_id: params[:batch])
            status 204
          end
          app.post("/api/w/:workspace/plan/batches/:batch/seen") do
            act(App::Plan::SeeBatch, batch_id: params[:batch])
            status 204
          end
        end

        def self.read(body)
          order = body["order"]
          { kind: order["kind"], post_ids: body["posts"], value: value(order) }
        end

        # What an act over several is done with.
        def self.value(order)
          case order["kind"]
          when "move"
            order["each"] || order["days"]
          when "clock"
            order["clock"]
          when "owner"
            order["person"]
          when "copy"
            { "workspace_id" => order["client"], "channel_ids" => order["channels"] || [], "days" => order["days"] }
          else
            order["name"]
          end
        end

        # The other way round.
        def self.order(kind, value)
          said =
            case kind
            when "move"
              { (value.is_a?(Hash) ? :each : :days) => value }
            when "clock"
              { clock: value }
            when "owner"
              { person: value }
            when "copy"
              { client: value["workspace_id"], channels: value["channel_ids"], days: value["days"] }
            else
              { name: value }
            end
          { kind: kind, **said }
        end
      end
    end
  end
end
