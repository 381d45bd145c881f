# frozen_string_literal: true

require "json"
require "net/http"
require_relative "visitor"

module Demo
  # The invented agency, its people and its clients, made through the application's own acts. Tests use it too.
  class World
    PASSWORD = "ask-first-demo"
    PEOPLE = {
      ines: ["Ines Calloway", "Europe/Lisbon"],
      tobiah: ["Tobiah Renn", "Europe/Lisbon"],
      wren: ["Wren Adeyo", "Europe/Lisbon"],
      maro: ["Maro Lindqvist", "Europe/Lisbon"],
      sunniva: ["Sunniva Achterberg", "Europe/Lisbon"],
      bram: ["Bram Teodoro", "Europe/Lisbon"],
      dulcie: ["Dulcie Varga", "Europe/Lisbon"]
    }.freeze
    CLIENT_PEOPLE = {
      odile: ["Odile Marchetti", "quillmere", "Europe/Lisbon"],
      per: ["Per Haugland", "quillmere", "Europe/Lisbon"],
      halima: ["Halima Sorrento", "brackwater", "America/Denver"]
    }.freeze
    STAFF = {
      ines: "account lead",
      tobiah: "account lead",
      wren: "reviewer",
      maro: "copywriter",
      sunniva: "designer",
      dulcie: "assistant",
      bram: "agency owner"
    }.freeze
    CLIENTS = {
      quillmere: {
        name: "Quillmere Ferries",
        initials: "QF",
        edge: "#1D5C74",
        zone: "Europe/Lisbon",
        week_start: 1,
        client: %i[odile per]
      },
      brackwater: {
        name: "Brackwater Observatory",
        initials: "BO",
        edge: "#3B2F6B",
        zone: "America/Denver",
        week_start: 0,
        client: %i[halima]
      }
    }.freeze

    # db: as the owner, for looking at what stands there
    attr_reader :environment, :people, :workspaces, :channels, :db, :visitor, :stand_ins, :hash_cost

    # @param stand_ins [String] address of the stand-ins, such as http://127.0.0.1:4200
    def initialize(environment, owner_db, stand_ins:, hash_cost: AskFirst::App::People::AddPerson::COST)
      @environment = environment
      @db = owner_db
      @visitor = Visitor.new(stand_ins)
      @stand_ins = stand_ins
      @hash_cost = hash_cost
      @people = {}
      @workspaces = {}
      @channels = {}
    end

    def make
      agency =
        AskFirst::App::Agency::Found.call(@db, now: environment.now, name: "Fernhollow Studio", zone: "Europe/Lisbon")
      PEOPLE.each { |key, (name, zone)| add(agency, key, name, "fernhollow", zone, PASSWORD) }
      CLIENT_PEOPLE.each { |key, (name, house, zone)| add(agency, key, name, house, zone, nil) }
      CLIENTS.each { |key, facts| set_up(agency, key, facts) }
      self
    end

    # The same people, clients and channels as in a world that was made before, in a database that was cloned from it.
    # The networks go on meanwhile, so its channels are reached through the accounts' own tokens, which nobody
    # withdraws.
    # @param other [World]
    def like(other)
      @people = other.people.dup
      @workspaces = other.workspaces.dup
      @channels = other.channels.transform_values(&:dup)
      @channels.each { |client, own| own.each { |network, id| reach(client, network, id) } }
      self
    end

    def member(person, client)
      row =
        AskFirst::Store::People::Members.find(
          environment.db,
          people.fetch(person),
          workspaces.fetch(client),
          environment.now
        )
      AskFirst::App::Member.from_row(row, from: "127.0.0.1")
    end

    def control(path, body)
      JSON.parse(
        Net::HTTP.post(
          URI("#{@stand_ins}/control/#{path}"),
          JSON.generate(body),
          "Content-Type" => "application/json"
        ).body
      )
    end

    # Connects an account of a client, as its people see it.
    def connect(client, network, name, by: :bram)
      visitor.add_person(network, "fernhollow", { client => name })
      ids = visitor.connect(environment, member(by, client), network, "fernhollow", [client.to_s])
      AskFirst::App::Channels::UpdateChannel.call(
        environment,
        member(by, client),
        channel_id: ids.first,
        version: 1,
        name: network.capitalize
      )
      ids.first
    end

    private

    def reach(client, network, channel_id)
      account = control("#{network}/accounts", { handle: client, name: CLIENTS.fetch(client)[:name] })
      channel = db[:channels].where(id: channel_id)
      channel.update(micropub: account.fetch("micropub"))
      db[:connections].where(id: channel.select(:connection_id)).update(
        token: environment.secrets.seal(account.fetch("token")),
        refresh_token: nil,
        expires_at: nil,
        consent_until: nil
      )
    end

    def add(agency, key, name, house, zone, password)
      @people[key] = AskFirst::App::People::AddPerson.call(
        environment,
        agency_id: agency,
        name: name,
        email: "#{key}@#{house}.example",
        zone: zone,
        password: password,
        owner: key == :bram,
        cost: @hash_cost
      )
    end

    def set_up(agency, key, facts)
      members =
        STAFF.map { |person, role| { person_id: people[person], role: role } } +
          facts[:client].map { |person| { person_id: people[person], role: "client approver" } }
      steps = [
        {
          name: "Read by a colleague",
          side: "internal",
          quorum: "any",
          people: people.values_at(:wren, :ines),
          hours: 8
        },
        {
          name: "The client's yes",
          side: "client",
          quorum: "any",
          people: people.values_at(*facts[:client]),
          hours: 24
        }
      ]
      @workspaces[key] = AskFirst::App::Clients::SetUp.call(
        environment,
        agency_id: agency,
        members: members,
        steps: steps,
        by: people[:bram],
        **facts.except(:client)
      )
      @channels[key] = %w[ticker vitrine].to_h { |network| [network.to_sym, connect(key, network, facts[:name])] }
    end
  end
end
