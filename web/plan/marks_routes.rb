# frozen_string_literal: true

module AskFirst
  module Web
    module Plan
      # Pencil marks, and what is made of them.
      module MarksRoutes
        def self.registered(app)
          app.put("/api/w/:workspace/plan/marks") do
            body = body_json
            json({ before: act(App::Plan::UpdateMarks, put: body["put"] || [], erase: body["erase"] || []) })
          end
          app.post("/api/w/:workspace/plan/marks/write") do
            json({ id: act(App::Plan::CreateMarkPost, cells: [body_json]) }, 201)
          end
          app.post("/api/w/:workspace/plan/carry-over") do
            body = body_json
            json act(App::Plan::CarryOver, year: body["year"], how: body["how"], dry: body["dry"] == true)
          end
        end
      end
    end
  end
end
