# frozen_string_literal: true

module AskFirst
  module App
    # Whoever is signed in, and as whom they read: as the member that they are in each workspace, or, while an owner
    # looks as somebody, as that one alone.
    class Reader
      # Whom somebody looks as, and where.
      LookAs = Struct.new(:person_id, :workspace_id, keyword_init: true)

      # @param environment [Environment]
      # @param person_id [String] who is signed in
      # @param look_as [LookAs, nil]
      # @param from [String, nil] their address
      def initialize(environment, person_id, look_as: nil, from: nil)
        @environment = environment
        @person_id = person_id
        @look_as = look_as
        @from = from
      end

      # @return [Member] that they are in a workspace; the last time that they were seen there is kept
      # @raise [Core::NotFound] the one answer for all strangers
      def member(workspace_id)
        row = row_in(workspace_id) or raise Core::NotFound, "This workspace"
        Member.from_row(row, from: from, looking: !looked_as.nil?).tap { |one| keep_seen(row, one) }
      end

      # The member that an owner looks as, as long as both are members there and the owner may look.
      # @return [Hash, nil] row of Store::People::Members
      def looked_as
        return if @look_as.nil?

        @looked_as ||=
          begin
            own = find(@person_id, @look_as.workspace_id)
            may = own && Core::Permissions::Decision.for(Member.from_row(own), "look_as").allowed?
            may ? find(@look_as.person_id, @look_as.workspace_id) : nil
          end
      end

      # One or all of the person's workspaces on the agency side, for lists.
      # @param workspace_id [String, nil] nil for all
      # @return [Store::Scope]
      # @raise [Core::NotFound]
      def scope(workspace_id = nil)
        rows = agency_rows(workspace_id)
        Store::Scope.new(
          environment.db,
          workspace_ids: rows.map { |row| row[:workspace_id] },
          person_id: rows.first&.fetch(:person_id) || @person_id,
          side: "agency",
          limits: rows.select { |row| row[:limited] }.to_h { |row| [row[:workspace_id], row[:channel_ids].to_a] }
        )
      end

      # The members that the person is there.
      # @return [Hash{String=>Member}] by workspace
      # @raise [Core::NotFound]
      def members(workspace_id = nil)
        looking = !looked_as.nil?
        agency_rows(workspace_id).to_h do |row|
          [row[:workspace_id], Member.from_row(row, from: from, looking: looking)]
        end
      end

      private

      attr_reader :environment, :from

      def agency_rows(workspace_id)
        rows = looked_as ? [looked_as] : all_rows
        rows = rows.select { |row| row[:side] == "agency" && (workspace_id.nil? || row[:workspace_id] == workspace_id) }
        raise Core::NotFound, "This workspace" if rows.empty? && workspace_id

        rows
      end

      def all_rows
        @all_rows ||= Store::People::Members.of_person(environment.db, @person_id, environment.now)
      end

      # Not there and not theirs take the same one query.
      def row_in(workspace_id)
        return unless Core::Uuid::FORMAT.match?(workspace_id.to_s)
        return looked_as&.fetch(:workspace_id) == workspace_id ? looked_as : nil if @look_as

        find(@person_id, workspace_id)
      end

      def find(person_id, workspace_id)
        Store::People::Members.find(environment.db, person_id, workspace_id, environment.now)
      end

      def keep_seen(row, member)
        if member.looking || (row[:seen_at] && environment.now - row[:seen_at] < Store::People::Members::SEEN_EVERY)
          return
        end

        Store::People::Members.seen(member.scope(environment.db), member.person_id, environment.now)
      end
    end
  end
end
