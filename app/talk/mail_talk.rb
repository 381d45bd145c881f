# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # One mail with all that was said to somebody of the client's side and that they were not told yet: beside each
      # post, behind the link of what they were asked there. What was taken back since is not told.
      class MailTalk < Signoff::MailAsk
        private

        def compose(person_id:)
          @told = rows(:talk_told).where(person_id: person_id, told_at: nil, due_at: ..now).select_map(:remark_id)
          said = rows(:remarks).where(id: @told, deleted_at: nil).order(:said_at, :id).all
          asked = asked_with(said.map { |row| row[:post_id] }.uniq, person_id)
          said = said.select { |row| asked.key?(row[:post_id]) }
          return mail(person(person_id), said.group_by { |row| row[:post_id] }, asked) if said.any?

          delivered(person_id: person_id) # it was taken back, or they are asked no more: nor will they be told later
          nil
        end

        def delivered(person_id:)
          rows(:talk_told).where(person_id: person_id, remark_id: @told).update(told_at: now)
        end

        # @return [Hash{String=>Hash}] post id => the last line that they were asked about it with
        def asked_with(post_ids, person_id)
          mine = rows(:ask_people).where(person_id: person_id).select(:ask_id)
          asks = rows(:asks).where(id: mine, room: "client", withdrawn_at: nil).select(:id)
          rows(:ask_lines).where(post_id: post_ids, ask_id: asks).order(:id).to_hash(:post_id)
        end

        def mail(to, said, lines)
          letter = Letter.new(to[:name]).say("#{speakers(said)} said something to you.")
          addresses = said.map { |post_id, remarks| about(letter, lines.fetch(post_id), remarks, to) }
          single = addresses.one? && addresses.first
          letter.small("If you answer this mail, it is said to the agency.") if single
          {
            to: to[:email],
            reply_to: single || nil,
            subject: "#{workspace[:name]}: #{speakers(said)} said something about #{how_many(said.size)}",
            **letter.parts
          }
        end

        def speakers(said)
          people = said.values.flatten.map { |remark| names.fetch(remark[:person_id]) }.uniq
          return people.first if people.one?

          "#{people.first} and #{people.size == 2 ? people.last : "others"}"
        end

        # @return [String, nil] the address at which it is answered
        def about(letter, line, remarks, to)
          token = Signoff::CreatePass.call(environment, member, ask_id: line[:ask_id], person_id: to[:id], keep: true)
          address = reply_address(token, line[:id])
          shown(letter, line, address)
          remarks.each { |one| letter.quote("#{names.fetch(one[:person_id])}: #{said(one)}") }
          link = "#{environment.settings.public_url}/review/##{token}"
          letter.button("Look and answer", link, lead: "Look at it and answer here:")
          address
        end

        def shown(letter, line, address)
          asked = Store::Signoff::AskedRows.of(scope, [line[:id]])
          first = asked.first
          letter.post(place(asked), first[:request]["text"], files(first), say: address)
        end

        def said(remark) = [remark[:words], remark[:replacement]].compact.reject { |one| one == "…" }.join("\n")
      end
    end
  end
end
