# frozen_string_literal: true

module AskFirst
  module Web
    module Signoff
      # The sign-off sheet of a post, a campaign or a period: as CSV, as PDF, and as what proves it.
      module SheetsRoutes
        def self.registered(app)
          app.get("/api/w/:workspace/sign-off.csv") do
            found = act(App::Signoff::SheetRows, **SheetsRoutes.of(params))
            content_type SheetFiles::CSV_TYPE
            attachment "sign-off.csv"
            columns = App::Signoff::SheetRows::COLUMNS
            SheetFiles.csv(columns, found[:rows].map { |row| row.values_at(*columns).map(&:to_s) })
          end
          app.get("/api/w/:workspace/sign-off.pdf") do
            found = act(App::Signoff::SheetPaper, **SheetsRoutes.of(params))
            content_type Paper::Sheet::TYPE
            attachment "sign-off.pdf"
            Paper::Signoff.new(found).render
          end
          app.get("/api/w/:workspace/sign-off.json") do
            attachment "sign-off-proof.json"
            json act(App::Signoff::SheetProof, **SheetsRoutes.of(params))
          end
        end

        def self.of(params)
          %i[from to].to_h { |name| [name, params[name]] }.merge(post_id: params[:post], campaign_id: params[:campaign])
        end
      end
    end
  end
end
