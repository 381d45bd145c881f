# frozen_string_literal: true

require "sequel"
require "que"

module AskFirst
  module Store
    # Makes the database roles and the database when they are missing, then runs the migrations as their owner.
    module Migrate
      ROLES = %w[ask_first_owner ask_first_web ask_first_jobs].freeze
      FOLDER = File.expand_path("migrations", __dir__)

      module_function

      # @param admin_url [String] PostgreSQL's superuser, for making roles and the database
      # @param owner_url [String] the owner role in the database
      def call(admin_url:, owner_url:)
        name = owner_url[%r{/([^/?]+)\z}, 1]
        password = URI.parse(owner_url).password
        Sequel.connect(admin_url) { |admin| make(admin, name, password) }
        Sequel.extension :migration
        Sequel.connect(owner_url) { |db| Sequel::Migrator.run(db, FOLDER) }
      end

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
