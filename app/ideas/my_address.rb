# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # One's private address for ideas: what is mailed there, from one's own address, is an idea of this client's. The
      # database keeps a digest to find it by, and the address itself sealed, for its owner alone.
      class MyAddress < Act
        reads :client, "see_ideas"

        # @return [Hash] {address: String or nil, mail: whether mails come in at all}
        def call
          local, domain = environment.settings.replies.split("@")
          sealed = rows(:idea_addresses).where(person_id: member.person_id).get(:sealed)
          address = sealed && domain && "#{local}+#{environment.secrets.open(sealed)}@#{domain}"
          { address: address || nil, mail: !domain.nil? }
        end
      end
    end
  end
end
