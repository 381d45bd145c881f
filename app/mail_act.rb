# frozen_string_literal: true

require "digest"

module AskFirst
  module App
    # A mail of our own processes: composed in one transaction, handed to the mail server after it, and marked as
    # delivered only then. One that the server does not take, and one whose process dies in between, is composed again
    # when its job is tried again: at worst it comes twice, never not at all.
    class MailAct < Act
      stepwise
      of_process

      # @param about [Hash] what `compose` takes
      def call(**about)
        alone(about) do
          mail = write { compose(**about) }
          next unless mail

          environment.mailer.deliver(**mail)
          write { delivered(**about) }
        end
      end

      private

      # @return [Hash, nil] for the mailer; nil where there is nothing left to say
      def compose(**)
        raise NotImplementedError, "#{self.class} does not say what its mail is"
      end

      # Keeps that it was delivered, where that is kept.
      def delivered(**)
      end

      # Two jobs about the same wait for each other.
      def alone(about, &)
        said = [self.class.name, member.workspace_id, *about.values].join(" ")
        Store::Locks.alone(environment.db, Digest::SHA256.digest(said).unpack1("q"), &)
      end

      # @return [Hash] person
      def person(id) = environment.db[:people].where(id: id).first

      # A moment in the client's own words of time.
      def in_words(moment) = Core::Plan::WallTime.at(moment, workspace[:zone]).wall.strftime("%A %-d %B, %H:%M")

      # A planned time as the client's clock on the wall shows it, with its place where that is another one.
      # @param wall [Time, nil]
      def planned_words(wall, zone)
        return "No time yet" unless wall

        there = zone == workspace[:zone] ? nil : Core::Plan::WallTime.new(wall, zone).place
        [wall.strftime("%a %-d %b, %H:%M"), there].compact.join(" ")
      end

      def how_many(posts) = posts == 1 ? "one post" : "#{posts} posts"
    end
  end
end
