# frozen_string_literal: true

# What an act says no with.
module Refusals
  # @return [AskFirst::Core::Error, nil]
  def refusal
    yield
    nil
  rescue AskFirst::Core::Error => e
    e
  end

  # @return [String] the code, or "done"
  def refused(&block)
    refusal(&block)&.code || "done"
  end

  # @return [Array(String, String), String] code and field, or "done"
  def refused_at(&block)
    refusal(&block)&.then { |error| [error.code, error.field] } || "done"
  end
end

RSpec.configure { |config| config.include Refusals }
