# frozen_string_literal: true

require "open3"
require "uri"

module AskFirst
  # Keeping what there is: backups, and the way back from one.
  module Keeping
    # Raised when a backup or its restoring cannot go on; the message says why, and the way on.
    class Stopped < StandardError
    end

    # PostgreSQL's own tools (pg_dump, pg_dumpall, pg_restore), of the client packages of its version.
    module Tools
      module_function

      # @param url [String] the password goes by the environment, so that nobody reads it in a list of processes
      # @return [String] what it printed
      # @raise [Stopped] with its last words
      def run(tool, *arguments, url:)
        at = URI.parse(url)
        env = {
          "PGHOST" => at.host,
          "PGPORT" => (at.port || 5432).to_s,
          "PGUSER" => URI.decode_www_form_component(at.user.to_s),
          "PGPASSWORD" => URI.decode_www_form_component(at.password.to_s),
          "PGDATABASE" => at.path.delete_prefix("/")
        }
        output, faults, status = Open3.capture3(env, tool, *arguments)
        raise Stopped, "#{tool} failed: #{faults.lines.last(5).join.strip}" unless status.success?

        output
      rescue Errno::ENOENT
        raise Stopped, "#{tool} is missing. Install PostgreSQL's client: apt-get install postgresql-client"
      end

      # @return [String] the same server and role, another database
      def with_database(url, name)
        URI.parse(url).tap { |at| at.path = "/#{name}" }.to_s
      end

      def database(url)
        URI.parse(url).path.delete_prefix("/")
      end
    end
  end
end
