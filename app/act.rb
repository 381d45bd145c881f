# frozen_string_literal: true

module AskFirst
  module App
    # One thing that a person or the clock can do. Subclasses have one public `call`; what they write is one transaction,
    # with its record and its jobs, and is announced to open pages after the commit.
    class Act
      # @param kit [Kit]
      # @param member [Member]
      def self.call(kit, member, **input)
        new(kit, member).call(**input)
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

      def rows(table)
        scope.rows(table)
      end

      def new_id
        Core::Uuid.v7(now)
      end

      # @raise [Core::Refused] naming the rule and who can
      def require_ability!(act)
        decision = Core::Permissions::Decision.for(member, act)
        return if decision.allowed?

        Core::Permissions::Decision.for(member, act, others: colleagues).require!
      end

      def colleagues
        Store::Agency::Members.of_workspace(kit.db, member.workspace_id).map { |row| Member.from_row(row) }
      end

      def names
        @names ||= kit.db[:people].where(id: kit.db[:memberships].where(workspace_id: member.workspace_id).select(:person_id)).to_hash(:id, :name)
      end

      def record(act, **subject)
        Store::Record::Rows.add(scope, now: now, who: member.on_record, act: act, **subject)
      end

      # A row of this workspace, or the one answer for "not there" and "not yours".
      def fetch(table, id, what)
        raise Core::NotFound, what unless Core::Uuid::FORMAT.match?(id.to_s)

        rows(table).where(id: id).first or raise Core::NotFound, what
      end

      def standing(post_ids)
        Store::Posts::Standing.load(scope, post_ids, now)
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
