# frozen_string_literal: true

module AskFirst
  module App
    # A mail of our own processes: composed in one transaction, handed to the mail server after it. One that the server
    # does not take is composed again when its job is tried again.
    class MailAct < Act
      stepwise
      of_process

      # @param about [Hash] what `compose` takes
      def call(**about)
        mail = write { compose(**about) }
        kit.mailer.deliver(**mail) if mail
      end

      private

      # @return [Hash, nil] for the mailer; nil where there is nothing left to say
      def compose(**)
        raise NotImplementedError, "#{self.class} does not say what its mail is"
      end

      # Where an answer to it is taken, and the sentence that says what becomes of it.
      # @param pass [String] the pass of the link in it
      # @return [String, nil]
      def answered_at(letter, pass, line_id: nil)
        address = reply_address(pass, line_id) or return
        letter.small("If you answer this mail, it is said to the agency. It is no yes: that is behind the link alone.")
        address
      end

      def reply_address(pass, line_id)
        digest = Signoff::MintPass.digest(pass)
        Talk::ReplyAddress.make(
          kit,
          scope,
          pass_id: rows(:guest_passes).where(digest: digest).get(:id),
          line_id: line_id
        )
      end

      # @return [Hash] person
      def person(id) = kit.db[:people].where(id: id).first

      # A moment in the client's own words of time.
      def in_words(moment) = Core::Plan::WallTime.at(moment, workspace[:zone]).wall.strftime("%A %-d %B, %H:%M")

      def how_many(posts) = posts == 1 ? "one post" : "#{posts} posts"
    end
  end
end
