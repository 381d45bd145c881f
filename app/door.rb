# frozen_string_literal: true

module AskFirst
  module App
    # The one door to everything that a client has. An act declares in its class what it opens and for which act of the
    # permission table; here it is let in or refused, always in this order: the locks, who it is that acts, read again
    # behind them, one load of what is opened, whether it is there for this reader (side, channel limit: not there and
    # not theirs are one answer), ability, state of client and membership, channels, place in an open ask, what is out
    # or being sent, what is sealed. Reads pass the same door, and lock nothing.
    class Door
      include ToClients
      include ToPosts
      include ToAsks
      include ToDispatch
      include ToPeople
      include ToPlan
      include ToCampaigns
      include ToIdeas
      include ToPartners

      # What an act opens. what: the name of a method of the door · act: key of Core::Permissions::Acts::TABLE, or a
      # function of the input that gives it · how: lock: false where nothing of the thing's own is locked; stand:
      # whether verdicts are needed · locks: :client for acts on which who may do what, or many verdicts, hang: no other
      # act runs in the client meanwhile · reads: it changes nothing
      Way =
        Struct.new(:what, :act, :how, :locks, :reads, keyword_init: true) do
          def act_for(input)
            act.respond_to?(:call) ? act.call(input) : act
          end
        end
      # For acts that run inside another one, or for one of our own processes: whoever calls them has passed the door.
      INSIDE = Way.new(what: :inside, act: nil, how: {}).freeze

      # What was opened. row: the thing itself · rows: the things, where there are many that are no posts · posts: id
      # => Post, or id => PostSummary where no verdict is needed · channel_ids: the channels that it hangs on
      Opened = Struct.new(:row, :rows, :posts, :channel_ids, :act, keyword_init: true) { def post = posts.values.first }

      # @param environment [Environment]
      # @param member [Member]
      # @param now [Time]
      def initialize(environment, member, now)
        @environment = environment
        @member = member
        @scope = member.scope(environment.db)
        @now = now
      end

      # @param way [Way]
      # @param input [Hash] of the act
      # @return [Opened]
      # @raise [Core::NotFound, Core::Refused, Core::Conflict, Core::Over]
      def enter(way, input, **how)
        @act = way.act_for(input)
        behind_locks(way.locks) unless way.reads
        public_send(way.what, input, **way.how, **how).tap { |opened| opened.act = @act }
      end

      # Whoever acts, as they are behind the locks.
      attr_reader :member, :scope

      # @param on [Core::Permissions::Touched] what it would touch
      # @raise [Core::Refused, Core::Conflict, Core::Over] naming the rule and who can
      def require!(act, on: Core::Permissions::Touched::NOTHING)
        decision = Core::Permissions::Decision
        return if decision.for(@member, act, on: on).allowed?

        decision.for(@member, act, on: on, others: colleagues).require!
      end

      def colleagues
        @colleagues ||= Store::People::Members.of_workspace(@scope, @now).map { |row| Member.from_row(row) }
      end

      private

      attr_reader :environment, :now

      # The client is locked: shared by the acts in it, whole by those that change who may do what, so that nobody acts
      # as somebody who they are no more. Then whoever acts is read again.
      def behind_locks(locks)
        let_in = LetIn.here(environment.db)
        unless let_in.member(member, locks)
          locks == :client ? Store::Locks.for_workspace(scope) : Store::Locks.for_member(scope)
          let_in.keep(member.process || member.by_receipt ? member : member_now, locks)
        end
        @member = let_in.member(member, locks)
        @scope = @member.scope(environment.db)
      end

      def member_now
        row = Store::People::Members.one(scope, member.person_id, now)
        raise member.pass_id ? Signoff::PassOver.stopped : Core::NotFound.new("This workspace") unless row

        pass = member.ask_id && { id: member.pass_id, ask_id: member.ask_id }
        Member.from_row(row, from: member.from, pass: pass, looking: member.looking)
      end

      def touching(**facts)
        Core::Permissions::Touched.new(**facts)
      end

      # Whether a thing that hangs on channels is there for this reader.
      def sees?(channel_ids)
        member.side == "agency" && (member.limited_to.nil? || member.limited_to.intersect?(channel_ids))
      end

      def agency_only!(what)
        raise Core::NotFound, what unless member.side == "agency"
      end

      # A row of this workspace, or the one answer for "not there" and "not yours".
      def find(table, id, what, &narrow)
        raise Core::NotFound, what unless Core::Uuid::FORMAT.match?(id.to_s)

        things.one(table, id, &narrow) or raise Core::NotFound, what
      end

      # The same of a kind that is decided by what hangs on it.
      # @param kind [Symbol] a method of Store::Door::Things
      def find_with(kind, id, what, *more)
        raise Core::NotFound, what unless Core::Uuid::FORMAT.match?(id.to_s)

        things.public_send(kind, id, *more) or raise Core::NotFound, what
      end

      def things = Store::Door::Things.new(scope)
    end
  end
end
