# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Takes one mail that came in: finds whose answer it is by its address, and says it in the client's room in their
      # name, or keeps it and tells those who should know. The same mail counts once. One that is for none of our
      # addresses is nobody's, and let go.
      class TakeReply
        # @param incoming [Edge::Mail::Messages::Message]
        # @return [String, nil] one of Core::Talk::Reply::OUTCOMES; nil where it is nobody's
        def self.call(environment, incoming) = new(environment, incoming).call

        def initialize(environment, incoming)
          @environment = environment
          @incoming = incoming
        end

        def call
          @address = address or return
          before = scope.transaction { kept.get(:outcome) } and return before

          outcome = Core::Talk::Reply.outcome(@incoming.facts, place)
          outcome == "said" ? say : keep(outcome)
        rescue Store::Failures::Taken
          scope.transaction { kept.get(:outcome) } or raise # another process took it in the same moment
        end

        private

        attr_reader :environment, :incoming

        def address
          digests = ReplyAddress.digests(environment, incoming.for_whom)
          environment.db[:reply_addresses].where(digest: digests).first if digests.any?
        end

        def scope
          @scope ||=
            Store::Scope.new(
              environment.db,
              workspace_ids: @address[:workspace_id],
              person_id: pass[:person_id],
              side: "client"
            )
        end

        def kept = scope.rows(:mail_replies).where(digest: Store::Database.blob(incoming.digest))

        # The pass that its mail was sent with, or the one that has taken its place since.
        def pass
          @pass ||=
            begin
              passes = environment.db[:guest_passes].where(workspace_id: @address[:workspace_id])
              first = passes.where(id: @address[:pass_id]).first
              same = passes.where(first.slice(:ask_id, :person_id)).reverse(:made_at)
              same.where(revoked_at: nil, expires_at: environment.now..).first || first
            end
        end

        def place
          Core::Talk::Reply::Place.new(
            email: environment.db[:people].where(id: pass[:person_id]).get(:email).to_s,
            over: member.nil?,
            recent: scope.transaction { recent }
          )
        end

        def recent
          mine = scope.rows(:guest_passes).where(person_id: pass[:person_id]).select(:id)
          scope.rows(:mail_replies).where(pass_id: mine, at: (environment.now - 3_600)..).count
        end

        # @return [Member, nil] as a guest; nil when they may no more
        def member
          return @member if defined?(@member)

          over = Signoff::PassOver.why(environment, pass)
          row =
            (
              if over
                nil
              else
                Store::People::Members.find(environment.db, pass[:person_id], pass[:workspace_id], environment.now)
              end
            )
          @member = row && Member.from_row(row, from: "mail", pass: pass)
        end

        def say
          SayByMail.call(
            environment,
            member,
            line_id: line[:id],
            incoming: incoming,
            about_all: @address[:line_id].nil?
          )
          "said"
        rescue Core::Error
          keep("over")
        end

        # What is not about one post stands beside the first that still waits.
        def line
          scope.transaction do
            lines = scope.rows(:ask_lines).where(ask_id: pass[:ask_id])
            lines.where(id: @address[:line_id]).first || Store::Signoff::OpenLines.new(scope).first_of(pass[:ask_id])
          end
        end

        def keep(outcome)
          KeepReply.call(
            environment,
            Member.process(pass[:workspace_id], "worker"),
            pass: pass,
            outcome: outcome,
            incoming: incoming
          )
          outcome
        end
      end
    end
  end
end
