# frozen_string_literal: true

module AskFirst
  module Web
    # The one shape of an error: problem details (RFC 9457) with a machine-readable code, the field and the way on.
    module Problem
      TYPE = "application/problem+json"
      STATUS = {
        Core::Channels::SaidNo => 422,
        Core::Invalid => 422,
        Core::Refused => 403,
        Core::NotFound => 404,
        Core::Conflict => 409,
        Core::Over => 410,
        Core::Away => 503
      }.freeze
      TITLES = {
        400 => "Cannot be read",
        401 => "Not signed in",
        403 => "Not yours to do",
        404 => "Not here",
        409 => "Something was quicker",
        410 => "Over",
        412 => "Cannot be read",
        413 => "Too large",
        415 => "Not taken",
        422 => "Cannot be like this",
        423 => "Busy",
        428 => "Version missing",
        429 => "Too often",
        500 => "Our mistake",
        503 => "Out of reach",
        507 => "No room"
      }.freeze

      module_function

      # @param error [Core::Error]
      # @return [Array(Integer, Hash, Array<String>)] Rack reply
      def of(error)
        status = STATUS.find { |kind, _| error.is_a?(kind) }&.last || 422
        reply(status, error.code, error.message, field: error.field, way_on: error.way_on, facts: error.facts)
      end

      def reply(status, code, detail, field: nil, way_on: nil, facts: {})
        body = {
          type: "about:blank",
          title: TITLES.fetch(status),
          status: status,
          code: code,
          detail: detail,
          field: field,
          way_on: way_on,
          facts: facts
        }
        [status, { "content-type" => TYPE, "cache-control" => "no-store" }, [JSON.generate(body)]]
      end
    end
  end
end
