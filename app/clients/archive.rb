# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Archives a client: it can be read and nothing else. Releases are taken back and open asks withdrawn; taken out
      # of the archive, it is as it was, but for those.
      class Archive < Act
        opens :client, "archive", locks: :client

        # @param out [Boolean] true takes it out of the archive again
        def call(out: false)
          current = environment.db[:workspaces].where(id: member.workspace_id).first
          return if current[:archived_at].nil? == out

          out ? take_out : put_in
          announce("settings", ids: [])
        end

        private

        def take_out
          environment.db[:workspaces].where(id: member.workspace_id).update(archived_at: nil, archived_by: nil)
          record("unarchived")
        end

        def put_in
          posts = Store::Dispatch::Releases.planned(scope).map { |row| row[:post_id] }.uniq
          stop_releases(posts)
          asked = rows(:ask_lines).where(ended_at: nil).select_map(%i[ask_id post_id])
          withdraw(asked)
          environment.db[:workspaces].where(id: member.workspace_id).update(
            archived_at: now,
            archived_by: member.person_id
          )
          record("archived", facts: { releases_taken_back: posts.size, asks_withdrawn: asked.map(&:first).uniq.size })
          refresh_stage((posts + asked.map(&:last)).uniq)
        end

        def stop_releases(posts)
          Store::Locks.for_posts(scope, posts)
          ending = Store::Dispatch::Releases.planned(scope)
          rows(:releases).where(id: ending.map { |row| row[:id] }).update(
            ended_at: now,
            ended_why: "the client was archived by #{member.name}"
          )
          ending.each do |row|
            record("release_ended", **row.slice(:post_id, :adaptation_id), facts: { why: "the client was archived" })
          end
        end

        def withdraw(asked)
          ask_ids = asked.map(&:first).uniq
          lines = rows(:ask_lines).where(ask_id: ask_ids).select(:id)
          adaptations = rows(:ask_line_adaptations).where(line_id: lines, ended_as: nil).select_map(:adaptation_id)
          Signoff::EndLines.call(environment, member, adaptation_ids: adaptations, as: "withdrawn")
          rows(:asks).where(id: ask_ids, withdrawn_at: nil).update(withdrawn_at: now)
          rows(:guest_passes).where(ask_id: ask_ids, revoked_at: nil).update(revoked_at: now)
          asked.each do |ask_id, post_id|
            record("ask_withdrawn", post_id: post_id, facts: { ask: ask_id, why: "the client was archived" })
          end
        end
      end
    end
  end
end
