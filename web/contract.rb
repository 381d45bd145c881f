# frozen_string_literal: true

require "committee"

module AskFirst
  module Web
    # The OpenAPI document is the one description of input: requests are checked against it as they come.
    module Contract
      # Committee's errors as problem details.
      class BadInput < Committee::ValidationError
        def render
          field = Contract.field_of(message)
          status = id == :not_found ? 404 : 422
          code = status == 404 ? "not_found" : "bad_input"
          detail = "The request does not fit its description: #{Contract.short(message)}"
          detail = "That is not here, or not yours to see." if status == 404
          Problem.reply(
            status,
            code,
            detail,
            field: field,
            way_on: status == 404 ? "Go back to the Desk." : "Send it as the API description says."
          )
        end
      end

      module_function

      def schema
        @schema ||=
          Committee::Drivers.load_from_data(OpenApi.document, parser_options: { strict_reference_validation: true })
      end

      def options
        {
          schema: schema,
          strict: true,
          strict_query_params: true,
          strict_reference_validation: true,
          coerce_form_params: false,
          error_class: BadInput,
          parse_response_by_content_type: true,
          check_content_type: true
        }
      end

      # The field that a message of the contract is about, where it names one.
      def field_of(message)
        text = message.to_s
        text[/missing required parameters: (\w+)/, 1] || text[%r{properties/(\w+)}, 1] ||
          text[/does not define properties: (\w+)/, 1]
      end

      def short(message)
        message.to_s.gsub(%r{#/\S+}, "the body").slice(0, 300)
      end
    end
  end
end
