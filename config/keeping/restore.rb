# frozen_string_literal: true

require_relative "folder"
require_relative "tools"

module AskFirst
  module Keeping
    # Brings a backup back: checked first, then beside what is there, and only at the end in its place. Killed at any
    # moment it has changed nothing that runs, and can be run again. The database is marked as brought back, so that
    # nothing is sent until somebody has looked.
    class Restore
      # secret: of another one than the settings' · replace: a database that is there is set aside
      Wish = Struct.new(:other_secret, :replace, keyword_init: true)

      # @param settings [Settings]
      # @param from [String] the backup's folder
      # @param wish [Wish]
      # @param now [Time]
      # @param say [#call] hears each step
      # @return [String, nil] the name of the database that was set aside
      def self.call(settings, from:, wish:, now:, say: ->(_) {})
        new(settings, Folder.new(File.expand_path(from)), wish, now, say).call
      end

      def initialize(settings, folder, wish, now, say)
        @settings = settings
        @folder = folder
        @wish = wish
        @now = now
        @say = say
        @name = Tools.database(settings.owner_url)
        @beside = "#{@name}_restoring"
      end

      def call
        look
        Sequel.connect(@settings.admin_url) do |admin|
          @admin = admin
          require_free
          roles
          database
          files
          watermark
          take_its_place
        end
      end

      private

      def look
        facts = @folder.facts
        @say.call("checking #{facts["files"]} files of #{facts["made_at"]}")
        @folder.check
        return if @wish.other_secret || facts["secret"] == Folder.fingerprint(@settings.secret)

        raise Stopped,
              "ASK_FIRST_SECRET is not the one of this backup (#{facts["secret"]}): every channel would have to be " \
                "connected again. " \
                "Set the one of then, or add --other-secret."
      end

      def require_free
        return unless there?
        unless @wish.replace
          raise Stopped,
                "There is a database #{@name} already. With --replace it is set aside under another name; nothing is " \
                  "dropped."
        end

        others = connections
        if others.positive?
          raise Stopped,
                "#{others} connections to #{@name} are open. Stop the web processes, dispatchers and workers first."
        end
      end

      # Of processes that have just been stopped some last a moment longer.
      def connections
        count = -> { @admin[:pg_stat_activity].where(datname: @name).count }
        25.times { count.call.zero? ? break : sleep(0.2) }
        count.call
      end

      def there?(name = @name) = @admin[:pg_database].where(datname: name).any?

      # Those that are missing, with the password that this machine's settings give. What they may of each other is
      # granted with the migrations, once all are there.
      def roles
        @say.call("roles")
        lines = File.readlines(@folder.at(Folder::ROLES))
        Store::Migrate::ROLES.each do |role|
          next if @admin[:pg_roles].where(rolname: role).any?

          lines.grep(/\A(?:CREATE|ALTER) ROLE #{role}\b/).each { |line| @admin.run(line) }
          @admin.run("ALTER ROLE #{role} LOGIN PASSWORD #{@admin.literal(URI.parse(@settings.owner_url).password)}")
        end
      end

      def database
        @say.call("database")
        @admin.run("DROP DATABASE IF EXISTS #{quoted(@beside)} WITH (FORCE)")
        @admin.run("CREATE DATABASE #{quoted(@beside)} OWNER ask_first_owner TEMPLATE template0")
        Tools.run(
          "pg_restore",
          "--exit-on-error",
          "--single-transaction",
          "--dbname=#{@beside}",
          @folder.at(Folder::DATABASE),
          url: Tools.with_database(@settings.admin_url, @beside)
        )
        @say.call("migrations")
        Store::Migrate.call(
          admin_url: @settings.admin_url,
          owner_url: Tools.with_database(@settings.owner_url, @beside)
        )
      end

      # Files never change, so what is there already is what it was, unless its writing was cut off.
      def files
        @say.call("files")
        @folder.files.each do |name|
          from = File.join(@folder.at(Folder::FILES), name)
          to = File.join(@settings.files, name)
          next if File.size?(to) == File.size?(from) && File.file?(to)

          FileUtils.mkdir_p(File.dirname(to), mode: 0o700)
          FileUtils.cp(from, "#{to}.part", preserve: true)
          File.rename("#{to}.part", to)
        end
      end

      def watermark
        @say.call("watermarks")
        lineage = Store::Dispatch::RestoreDetection
        file = Edge::Files::Watermark.new(@settings.watermark)
        Sequel.connect(Tools.with_database(@settings.owner_url, @beside)) do |db|
          process = Core::Uuid.v7(@now)
          outside = file.read
          db.transaction do
            lineage.brought_back(
              db,
              why: "restored",
              process: process,
              outside: outside,
              known_until: known_until(db),
              now: @now
            )
          end
          file.write(lineage.id(db), db.transaction { lineage.watermark(db, process, @now) }, @now)
        end
      end

      # A backup that is older than the watermarks knows until it was made.
      def known_until(db)
        Store::Dispatch::RestoreDetection.known_until(db) || Time.iso8601(@folder.facts["made_at"])
      end

      def take_its_place
        aside = "#{@name}_before_#{@now.utc.strftime("%Y%m%d%H%M%S")}" if there?
        @admin.transaction do
          @admin.run("ALTER DATABASE #{quoted(@name)} RENAME TO #{quoted(aside)}") if aside
          @admin.run("ALTER DATABASE #{quoted(@beside)} RENAME TO #{quoted(@name)}")
        end
        aside
      end

      def quoted(name) = @admin.literal(Sequel.identifier(name))
    end
  end
end
