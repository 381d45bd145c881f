# frozen_string_literal: true

require "digest"
require "fileutils"
require "json"
require "openssl"

module AskFirst
  module Keeping
    # A backup as it lies there: what it is (backup.json), the roles, the database, the files, and the sums of all
    # that, in the form that `sha256sum -c SHA256SUMS` checks by hand.
    class Folder
      ROLES = "roles.sql"
      DATABASE = "database.dump"
      FILES = "files"
      FACTS = "backup.json"
      SUMS = "SHA256SUMS"
      FORM = 1

      attr_reader :path

      def initialize(path)
        @path = path
      end

      def at(name) = File.join(@path, name)

      # @raise [Stopped] where there is no whole backup
      def facts
        found = JSON.parse(File.read(at(FACTS)))
        unless found["form"] == FORM
          raise Stopped, "#{@path} is a backup of a form that this version does not read (#{found["form"]})."
        end

        found
      rescue Errno::ENOENT, Errno::ENOTDIR, JSON::ParserError
        raise Stopped,
              "There is no whole backup in #{@path}: #{FACTS} is missing or broken. One that was cut short ends in " \
                ".part."
      end

      def write_facts(facts)
        File.write(at(FACTS), "#{JSON.pretty_generate({ form: FORM }.merge(facts))}\n", perm: 0o600)
      end

      # Written last: whatever is there now belongs to it.
      def write_sums
        lines = names.map { |name| "#{sum(name)}  #{name}\n" }
        File.write(at(SUMS), lines.join, perm: 0o600)
      end

      # @raise [Stopped] naming what is missing or is not what it was
      def check
        said = File.readlines(at(SUMS), chomp: true).to_h { |line| line.split("  ", 2).reverse }
        wrong = said.reject { |name, kept| File.file?(at(name)) && sum(name) == kept }.keys
        if wrong.any?
          raise Stopped,
                "This backup is damaged: #{wrong.first(5).join(", ")}#{" …" if wrong.size > 5} (#{wrong.size} of " \
                  "#{said.size}). Take another one."
        end
      rescue Errno::ENOENT
        raise Stopped, "#{at(SUMS)} is missing, so nobody can say whether this backup is whole."
      end

      # @return [Array<String>] of the files that people brought in
      def files
        Dir.glob("**/*", base: at(FILES)).select { |name| File.file?(File.join(at(FILES), name)) }.sort
      end

      # Which secret belongs to it, without saying it.
      def self.fingerprint(secret)
        OpenSSL::HMAC.hexdigest("SHA256", secret, "ask-first backup")[0, 16]
      end

      private

      def names
        Dir.glob("**/*", base: @path).select { |name| name != SUMS && File.file?(at(name)) }.sort
      end

      def sum(name)
        Digest::SHA256.file(at(name)).hexdigest
      end
    end
  end
end
