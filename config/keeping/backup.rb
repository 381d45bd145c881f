# frozen_string_literal: true

require_relative "folder"
require_relative "tools"

module AskFirst
  module Keeping
    # Roles, database, then files: files are only added, so what is copied after the dump holds all that the dump
    # names. Goes on beside running processes. Until it is whole its folder ends in .part.
    class Backup
      OURS = /\bask_first_(?:owner|web|jobs)\b/

      # @param settings [Settings]
      # @param into [String] folder that backups lie in
      # @param now [Time]
      # @param say [#call] hears each step
      # @return [Folder]
      def self.call(settings, into:, now:, say: ->(_) {})
        new(settings, into, now, say).call
      end

      def initialize(settings, into, now, say)
        @settings = settings
        @name = File.join(File.expand_path(into), "ask-first-#{now.utc.strftime("%Y%m%d-%H%M%S")}")
        @now = now
        @say = say
        @folder = Folder.new("#{@name}.part")
      end

      def call
        raise Stopped, "#{@name} is there already." if File.exist?(@name)

        FileUtils.rm_rf(@folder.path)
        FileUtils.mkdir_p(@folder.path, mode: 0o700)
        roles
        database
        files
        describe
        File.rename(@folder.path, @name)
        Folder.new(@name)
      end

      private

      # As a superuser, since the owner does not see what the bus of live messages keeps for itself.
      def url = Tools.with_database(@settings.admin_url, Tools.database(@settings.owner_url))

      def roles
        @say.call("roles")
        lines = Tools.run("pg_dumpall", "--roles-only", url: url).lines.grep(OURS)
        File.write(@folder.at(Folder::ROLES), lines.join, perm: 0o600)
      end

      def database
        @say.call("database")
        Tools.run("pg_dump", "--format=custom", "--file=#{@folder.at(Folder::DATABASE)}", url: url)
        File.chmod(0o600, @folder.at(Folder::DATABASE))
      end

      # Files that are still coming in belong to nothing yet: whoever sends them goes on or begins again.
      COMING_IN = %r{\A[^/]+/uploads/|\.part\z}
      private_constant :COMING_IN

      # What is removed meanwhile (a client whose grace is over) is not missed: nothing that goes out hangs on it any
      # more.
      def files
        @say.call("files")
        FileUtils.mkdir_p(@folder.at(Folder::FILES), mode: 0o700)
        Dir
          .glob("**/*", base: @settings.files)
          .grep_v(COMING_IN)
          .each do |name|
            from = File.join(@settings.files, name)
            next unless File.file?(from)

            to = File.join(@folder.at(Folder::FILES), name)
            FileUtils.mkdir_p(File.dirname(to), mode: 0o700)
            FileUtils.cp(from, to, preserve: true)
          rescue Errno::ENOENT
            next
          end
      end

      def describe
        @say.call("sums")
        copied = @folder.files
        db = Sequel.connect(url)
        @folder.write_facts(
          made_at: @now.utc.iso8601,
          database: Tools.database(@settings.owner_url),
          migration: db[:schema_info].get(:version),
          postgresql: db.get(Sequel.lit("current_setting('server_version')")),
          secret: Folder.fingerprint(@settings.secret),
          files: copied.size,
          bytes: copied.sum { |name| File.size(File.join(@folder.at(Folder::FILES), name)) }
        )
        @folder.write_sums
      ensure
        db&.disconnect
      end
    end
  end
end
