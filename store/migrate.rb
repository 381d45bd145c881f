# frozen_string_literal: true

require "sequel"
require "que"

module AskFirst
  module Store
    # Makes the database roles and the database when they are missing, then runs the migrations as their owner.
    module Migrate
      ROLES = %w[ask_first_owner ask_first_web ask_first_jobs].freeze
      LOCK_SECONDS = 3
      BETWEEN = 2 # seconds
      TRIES = 30
      FOLDER = File.expand_path("migrations", __dir__)

      module_function

      # @param admin_url [String] PostgreSQL's superuser, for making roles and the database
      # @param owner_url [String] the owner role in the database
      def call(admin_url:, owner_url:)
        name = owner_url[%r{/([^/?]+)\z}, 1]
        password = URI.parse(owner_url).password
        Sequel.connect(admin_url) { |admin| make(admin, name, password) }
        Sequel.extension :migration
        Sequel.connect(owner_url, after_connect: method(:impatient)) { |db| run(db) }
      end

      # What waits for a lock stops whoever comes behind it. So a migration waits for a moment, lets them by, and tries
      # again: as often as somebody who looks on would.
      # @param sleep [#call] takes seconds
      # @raise [Sequel::DatabaseLockTimeout] when it was in vain
      def run(db, sleep: Kernel.method(:sleep), &work)
        work ||= -> { Sequel::Migrator.run(db, FOLDER) }
        tries = 0
        begin
          work.call
        rescue Sequel::DatabaseLockTimeout
          raise if (tries += 1) >= TRIES

          sleep.call(BETWEEN)
          retry
        end
      end

      def impatient(connection) = connection.exec("SET lock_timeout = '#{LOCK_SECONDS}s'")

      def make(admin, name, password)
        ROLES.each do |role|
          next if admin[:pg_roles].where(rolname: role).any?

          admin.run("CREATE ROLE #{role} LOGIN PASSWORD #{admin.literal(password)}")
        end
        # our own processes take the web's role, and only when they say so, for what a person asked for (Scope)
        admin.run("ALTER ROLE ask_first_jobs NOINHERIT")
        admin.run("GRANT ask_first_web TO ask_first_jobs")
        return if admin[:pg_database].where(datname: name).any?

        admin.run("CREATE DATABASE #{admin.literal(Sequel.identifier(name))} OWNER ask_first_owner")
      end
    end
  end
end
