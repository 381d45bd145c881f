# frozen_string_literal: true

require "digest"
require "fileutils"
require "securerandom"
require "time"
require_relative "cards"
require_relative "grants"
require_relative "journal"

module StandIns
  # One invented network: its accounts, posts, files, and the faults it was told to have. Knows nothing of who uses it.
  class Network
    Account = Struct.new(:handle, :name, :token, keyword_init: true)
    Post = Struct.new(:id, :handle, :properties, :send_id, :at, :shows_at, :deleted, keyword_init: true)

    attr_reader :slug, :accounts, :posts, :people, :grants
    attr_accessor :consent_life # seconds that a consent lasts; nil for ever

    def initialize(slug, folder)
      @slug = slug
      @folder = folder
      @journal = Journal.new(File.join(folder, "#{slug}.jsonl"))
      @accounts = {}
      @posts = []
      @faults = []
      @card = CARDS.fetch(slug)
      @people = {}
      @grants = Grants.new(@journal)
      @lock = Monitor.new
      @journal.each { |event| apply(event) }
    end

    def card
      @lock.synchronize { @card }
    end

    def change_card(changes)
      write("card" => card.merge(changes))
    end

    def add_account(handle, name)
      existing = @accounts[handle]
      return existing if existing

      write("account" => { "handle" => handle, "name" => name, "token" => SecureRandom.hex(24) })
      @accounts[handle]
    end

    # Somebody who can sign in here and post for these accounts, beside those that they had.
    def add_person(login, handles)
      write("person" => { "login" => login, "handles" => handles })
    end

    # @param handle [String, nil] the account that the address names; nil for a token of one account
    # @return [Account, nil]
    def account_of(token, handle = nil)
      return @accounts.each_value.find { |account| account.token == token } if handle.nil?

      grant = grants.find(token)
      @accounts[handle] if grant&.handles&.include?(handle)
    end

    # @param kind [String] see Faults in the control page
    # @param times [Integer] how often it happens before it is over
    def add_fault(handle, kind, seconds: 0, times: 1)
      @lock.synchronize { @faults << { handle: handle, kind: kind, seconds: seconds, times: times } }
    end

    def clear_faults
      @lock.synchronize { @faults.clear }
    end

    def fault(handle, *kinds)
      @lock.synchronize do
        found = @faults.find { |one| one[:handle] == handle && kinds.include?(one[:kind]) && one[:times].positive? }
        found&.tap { |one| one[:times] -= 1 }
      end
    end

    # @return [Post] a new one, or the one with the same id where this network counts an id once
    def create(handle, properties, send_id, delay: 0)
      @lock.synchronize do
        known =
          card["same_id_once"] && send_id && @posts.find { |post| post.handle == handle && post.send_id == send_id }
        return known if known

        now = Time.now.utc
        write(
          "post" => {
            "id" => SecureRandom.hex(6),
            "handle" => handle,
            "properties" => properties,
            "send_id" => send_id,
            "at" => now.iso8601(3),
            "shows_at" => (now + delay).iso8601(3)
          }
        )
        @posts.last
      end
    end

    def find(id)
      @posts.find { |post| post.id == id && !post.deleted }
    end

    def find_by_send_id(handle, send_id)
      @posts.find { |post| post.handle == handle && post.send_id == send_id && !post.deleted }
    end

    def of(handle)
      @posts.select { |post| post.handle == handle && !post.deleted && shows?(post) }.reverse
    end

    def shows?(post)
      Time.iso8601(post.shows_at) <= Time.now.utc
    end

    def change(id, properties)
      write("change" => { "id" => id, "properties" => properties })
    end

    def delete(id)
      write("delete" => { "id" => id })
    end

    # @return [String] the file's id
    def keep_file(io, type)
      id = "#{SecureRandom.hex(8)}.#{type.split("/").last}"
      FileUtils.mkdir_p(files)
      File.open(File.join(files, id), "wb") { |file| IO.copy_stream(io, file) }
      id
    end

    def file(id)
      path = File.join(files, File.basename(id))
      path if File.file?(path)
    end

    # @return [Array<String>] ids of the pictures, the newest last
    def pictures
      Dir[File.join(files, "*.{jpeg,jpg,png}")]
        .sort_by { |path| [File.mtime(path), path] }
        .map { |path| File.basename(path) }
    end

    private

    def files
      File.join(@folder, "#{slug}-files")
    end

    def write(event)
      @lock.synchronize do
        @journal.add(event)
        apply(event)
      end
    end

    def apply(event)
      kind, value = event.first
      case kind
      when "account"
        @accounts[value["handle"]] = Account.new(**value.transform_keys(&:to_sym))
      when "post"
        @posts << Post.new(**value.transform_keys(&:to_sym))
      when "change"
        @posts.find { |post| post.id == value["id"] }.properties.merge!(value["properties"])
      when "delete"
        @posts.find { |post| post.id == value["id"] }.deleted = true
      when "card"
        @card = value
      when "person"
        @people[value["login"]] = @people.fetch(value["login"], []) | value["handles"]
      else
        @grants.apply(kind, value)
      end
    end
  end
end
