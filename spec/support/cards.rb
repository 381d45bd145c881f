# frozen_string_literal: true

# Network cards as a spec says them: with only what matters there.
module Cards
  def card_of(hash) = AskFirst::Core::Channels::Card.read(hash)
end

RSpec.configure { |config| config.include Cards }
