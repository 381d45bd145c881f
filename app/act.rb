# frozen_string_literal: true

module AskFirst
  module App
    # One thing that a person or the clock can do. Subclasses have one public `call`; what they write is one transaction,
    # with its record and its jobs, and is announced to open pages after the commit.
    class Act
      class << self
        # @param kit [Kit]
        # @param member [Member]
        def call(kit, member, **input)
          act = new(kit, member)
          return act.call(**input) if stepwise?

          act.send(:write) { act.call(**input) }
        end

        # For acts that wait for something outside (a network, a picture to be cut) between their transactions: no
        # transaction is kept open meanwhile, and they open their own.
        def stepwise
          @stepwise = true
        end

        def stepwise?
          @stepwise || (superclass.respond_to?(:stepwise?) && superclass.stepwise?)
        end
      end

      def initialize(kit, member)
        @kit = kit
        @member = member
        @scope = member.scope(kit.db)
      end

      private

      attr_reader :kit, :member, :scope

      def now
        @now ||= kit.now
      end

      def write(&block)
        scope.transaction(&block)
      end
      alias reading write

      def rows(table)
        scope.rows(table)
      end

      def new_id
        Core::Uuid.v7(now)
      end

      # @param on [Core::Permissions::Touched] what it would touch
      # @raise [Core::Refused, Core::Conflict, Core::Over] naming the rule and who can
      def require_ability!(act, on: Core::Permissions::Touched::NOTHING)
        return if Core::Permissions::Decision.for(member, act, on: on).allowed?

        Core::Permissions::Decision.for(member, act, on: on, others: colleagues).require!
      end

      def touching(**facts)
        Core::Permissions::Touched.new(**facts)
      end

      def colleagues
        @colleagues ||= Store::People::Members.of_workspace(scope, now).map { |row| Member.from_row(row) }
      end

      def names
        @names ||= reading { kit.db[:people].where(id: rows(:memberships).select(:person_id)).to_hash(:id, :name) }
      end

      def workspace
        @workspace ||= reading { kit.db[:workspaces].where(id: member.workspace_id).first }
      end

      def record(act, **subject)
        Store::Record::Rows.add(scope, now: now, who: member.on_record, act: act, **subject)
      end

      # A row of this workspace, or the one answer for "not there" and "not yours".
      def fetch(table, id, what)
        raise Core::NotFound, what unless Core::Uuid::FORMAT.match?(id.to_s)

        reading { rows(table).where(id: id).first } or raise Core::NotFound, what
      end

      # A member whose part is limited to channels finds only posts there. One answer, as for a post that is not there.
      def require_visible!(post_id)
        return if scope.limits.empty?

        raise Core::NotFound, "This post" if Store::Posts::Visible.narrow(scope, rows(:posts).where(Sequel[:posts][:id] => post_id)).empty?
      end

      def standing(post_ids)
        reading { Store::Posts::Standing.load(scope, post_ids, now) }
      end

      def post_standing(post_id)
        standing([post_id]).fetch(post_id) { raise Core::NotFound, "This post" }
      end

      # Locks the posts, so that nobody changes a verdict in between, and loads them.
      def locked(post_ids)
        found = post_ids.select { |id| Core::Uuid::FORMAT.match?(id.to_s) }
        locked = Store::Gates.for_posts(scope, found)
        raise Core::NotFound, "This post" if locked.size < post_ids.uniq.size

        standing(locked)
      end

      def restage(post_ids)
        Signoff::Restage.call(kit, member, post_ids: post_ids)
      end

      def announce(what, **facts)
        message = { what: what, **facts }
        workspace_id = member.workspace_id
        kit.db.after_commit { kit.bus.publish(workspace_id, message) }
      end
    end
  end
end
