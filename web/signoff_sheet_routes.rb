# frozen_string_literal: true

module AskFirst
  module Web
    # The sign-off sheet of a post, a campaign or a period: as CSV, as PDF, and as what proves it.
    module SignoffSheetRoutes
      def self.registered(app)
        app.get("/api/w/:workspace/sign-off.csv") do
          found = act(App::Signoff::SheetRows, **SignoffSheetRoutes.of(params, kit.now))
          content_type SheetFiles::CSV_TYPE
          attachment "sign-off.csv"
          columns = App::Signoff::SheetRows::COLUMNS
          SheetFiles.csv(columns, found[:rows].map { |row| row.values_at(*columns).map(&:to_s) })
        end
        app.get("/api/w/:workspace/sign-off.pdf") do
          found = act(App::Signoff::SheetPaper, **SignoffSheetRoutes.of(params, kit.now))
          content_type Paper::Sheet::TYPE
          attachment "sign-off.pdf"
          Paper::Signoff.new(found).render
        end
        app.get("/api/w/:workspace/sign-off.json") do
          attachment "sign-off-proof.json"
          json act(App::Signoff::SheetProof, **SignoffSheetRoutes.of(params, kit.now))
        end
      end

      # @raise [Core::Invalid] no_sheet, bad_date
      def self.of(params, now)
        return { post_id: params[:post] } if params[:post]
        return { campaign_id: params[:campaign] } if params[:campaign]
        raise nothing_named unless params[:from] && params[:to]

        days = %w[from to].map { |name| Core::Plan::Iso.day(params[name], now, field: name) }
        raise backwards if days.first > days.last

        { from: days.first, to: days.last }
      end

      def self.nothing_named
        Core::Invalid.new(
          "no_sheet",
          "A sign-off sheet is of a post, a campaign or a period.",
          field: "from",
          way_on: "Name one of them."
        )
      end

      def self.backwards
        Core::Invalid.new("bad_date", "The last day is before the first.", field: "to", way_on: "Turn them round.")
      end
      private_class_method :nothing_named, :backwards
    end
  end
end
