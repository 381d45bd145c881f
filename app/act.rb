# frozen_string_literal: true

module AskFirst
  module App
    # One thing that a person or the clock can do. Subclasses say what they open (Door) and have one public `call`;
    # what they write is one transaction, with its record and its jobs, and is announced to open pages after the
    # commit.
    class Act
      CONFLICTS = 5 # times that an act is done again

      class << self
        # @param environment [Environment]
        # @param member [Member]
        def call(environment, member, **input)
          return new(environment, member, input).call(**input) if stepwise?
          return within(new(environment, member, input), input, read_only: true) if way.reads

          again_after_conflicts(environment) { within(new(environment, member, input), input) }
        end

        # What the act opens, and for which act of the permission table: it is entered before `call`. See Door::Way.
        # @param what [Symbol] such as :post
        # @param act [String, #call] a key of Core::Permissions::Acts::TABLE, or a function of the input that gives it
        # @param locks [Symbol, nil] :client
        def opens(what, act, locks: nil, **how)
          @way = Door::Way.new(what: what, act: act, how: how, locks: locks)
        end

        # The same for an act that changes nothing.
        def reads(what, act, **how)
          @way = Door::Way.new(what: what, act: act, how: how, reads: true)
        end

        # For what runs inside another act, in its transaction.
        def inside
          @way = Door::INSIDE
        end
        # For what our own processes do, with no person behind it.
        alias of_process inside

        # @return [Door::Way]
        # @raise [NotImplementedError] an act that does not say what it opens is not done
        def way
          @way || (superclass.respond_to?(:way) && superclass.way) ||
            raise(NotImplementedError, "#{name} does not say what it opens (see Door)")
        end

        # Two acts that wait for each other are told apart by the database, which ends one of them: that one is done
        # again, from its beginning, as if it had come later; of an act in several transactions the one that was ended.
        def again_after_conflicts(environment)
          tries = 0
          begin
            yield
          rescue Store::Failures::Clash
            raise if environment.db.in_transaction? || (tries += 1) > CONFLICTS

            sleep(rand * 0.05 * tries)
            retry
          end
        end

        def within(act, input, **how)
          act.send(:write, **how) do
            act.send(:enter)
            act.call(**input)
          end
        end
        private :within

        # For acts that wait for something outside (a network, a picture to be cut) between their transactions: no
        # transaction is kept open meanwhile. They open their own, and enter in each.
        def stepwise
          @stepwise = true
        end

        def stepwise?
          @stepwise || (superclass.respond_to?(:stepwise?) && superclass.stepwise?)
        end
      end

      def initialize(environment, member, input = {})
        @environment = environment
        @member = member
        @input = input
        @scope = member.scope(environment.db)
      end

      private

      attr_reader :environment, :member, :scope

      def now
        @now ||= environment.now
      end

      def write(**how, &block)
        return scope.transaction(**how, &block) unless self.class.stepwise?

        self.class.again_after_conflicts(environment) { scope.transaction(**how, &block) }
      end
      alias reading write

      # Through the door.
      # @param how [Hash] other than the class says, for acts in several steps
      def enter(**how)
        way = self.class.way
        return @opened = Door::Opened.new(posts: {}) if way == Door::INSIDE

        @opened = door.enter(way, @input, **how)
        @member = door.member
        @scope = door.scope
        @opened
      end

      def door
        @door ||= Door.new(environment, member, now)
      end

      # What the door opened: the row, the post or posts.
      def row = @opened.row
      def post = @opened.post
      def posts = @opened.posts

      def rows(table)
        scope.rows(table)
      end

      def new_id
        Core::Uuid.v7(now)
      end

      # A further act of the table, beside the one that the door was passed for.
      # @param on [Core::Permissions::Touched] what it would touch
      # @raise [Core::Refused, Core::Conflict, Core::Over] naming the rule and who can
      def require_ability!(act, on: Core::Permissions::Touched::NOTHING)
        door.require!(act, on: on)
      end

      # What of a post the act turns out to touch: some of its channels.
      # @param adaptations [Array<Store::Posts::PostState::Adaptation>]
      def require_on!(adaptations)
        require_ability!(@opened.act, on: Posts::Touching.channels(adaptations))
      end

      # Those that the member's part is not limited away from.
      def mine(adaptations)
        if member.limited_to.nil?
          adaptations
        else
          adaptations.select { |one| member.limited_to.include?(one.row[:channel_id]) }
        end
      end

      def touching(**facts)
        Core::Permissions::Touched.new(**facts)
      end

      def colleagues
        door.colleagues
      end

      def names
        @names ||=
          (@opened&.posts || {}).each_value.find { |one| one.respond_to?(:names) }&.names ||
            reading { environment.db[:people].where(id: rows(:memberships).select(:person_id)).select_hash(:id, :name) }
      end

      def workspace
        @workspace ||= reading { environment.db[:workspaces].where(id: member.workspace_id).first }
      end

      def record(act, **subject)
        Store::Record::Rows.add(scope, now: now, who: member.on_record, act: act, **subject)
      end

      # A row of this workspace, or the one answer for "not there" and "not yours".
      def fetch(table, id, what)
        raise Core::NotFound, what unless Core::Uuid::FORMAT.match?(id.to_s)

        reading { rows(table).where(id: id).first } or raise Core::NotFound, what
      end

      # Posts with their verdicts, as they are now.
      def post_states(post_ids)
        reading { Store::Posts::PostState.load(scope, post_ids, now) }
      end

      # Keeps what stands after the act.
      # @param after [Hash{String=>Store::Posts::PostState::Post}] by id
      def keep(*after)
        Signoff::RefreshStage.call(environment, member, posts: after)
      end

      # The same where what was written is not known row by row: it is read back, so that what is kept is what the
      # database says.
      def refresh_stage(post_ids)
        Store::Locks.for_posts(scope, post_ids)
        Signoff::RefreshStage.call(environment, member, posts: post_states(post_ids).values)
      end

      # @param ids [Array<String>] of posts
      def announce(what, ids: [], **facts)
        Live.announce(
          environment,
          member.workspace_id,
          { what: what, ids: ids, **facts },
          Store::People::Subscribers.of(scope, ids, now)
        )
      end
    end
  end
end
