# frozen_string_literal: true

require "que"
require_relative "../../demo/clock"
require_relative "../../demo/pictures"
require_relative "../../demo/world"
require_relative "infrastructure"

# A world of its own for each spec file: the invented agency with two clients, in a fresh database, with the acts at
# hand. It is made once and cloned, so that no file finds what another one left.
class SpecWorld
  CHEAP = { t_cost: 1, m_cost: 5 }.freeze
  NOON = Time.utc(2026, 10, 14, 9, 20)

  # Hears what would be announced to open pages.
  class Ears
    attr_reader :heard

    def initialize
      @heard = []
    end

    def publish(workspace_id, message, to:)
      @heard << [workspace_id, message]
      (@told ||= []) << to
    end

    def last(_) = {}

    # @return [Array<Array<String>>] person ids that each message was for
    def told = @told || []
  end

  attr_reader :environment, :world, :clock, :settings, :variables, :name
  attr_writer :closing

  @count = 0
  class << self
    attr_accessor :count

    # @param file [String] the spec file that it is for; another one's is thrown away
    def shared(file = @file)
      return @shared if @shared && @file == file

      @shared&.close
      @file = file
      @shared = new(from: pristine)
      # the networks are every file's: what one file set wrong there is not the next one's
      %w[ticker vitrine guildhall].each { |network| @shared.world.control("#{network}/no-faults", {}) }
      @shared
    end

    # The database that worlds are cloned from, and the world that was made in it.
    def pristine
      @pristine ||=
        begin
          made = new
          made.close(keep: true)
          made
        end
    end
  end

  # @param cluster [Setup::Cluster] another one than the suite's, for specs that kill it
  # @param clock [#now, nil] the real time instead of the story's
  # @param from [SpecWorld, nil] a world that was made already: its database is cloned
  def initialize(cluster: Infrastructure.cluster, clock: nil, from: nil, **more)
    @cluster = cluster
    @name = "spec_#{Process.pid}_#{self.class.count += 1}"
    @settings, @variables =
      Infrastructure.settings(Infrastructure.database(@name, on: cluster, template: from&.name), **more)
    @environment =
      AskFirst::Environments.build(@settings, @settings.web_url, pool: 6, sandbox: Infrastructure.sandbox).dup
    @environment.bus.stop
    @environment.bus = Ears.new
    @clock = clock || Demo::Clock.new(NOON)
    @environment.clock = @clock
    @environment.queue = AskFirst::Jobs::Queue.new(@clock)
    made = Demo::World.new(@environment, owner, stand_ins: Infrastructure.stand_ins[:url], hash_cost: CHEAP)
    @world = from ? made.like(from.world) : made.make
  end

  # What listens to the database lets go of it first (closing).
  # @param keep [Boolean] whether its database stays, for others to be cloned from
  def close(keep: false)
    @closing&.call
    [environment.db, @owner, @jobs&.db].compact.each(&:disconnect)
    Infrastructure.admin(@cluster) { |admin| admin.run("DROP DATABASE IF EXISTS #{@name} WITH (FORCE)") } unless keep
  end

  # For looking at what stands there: as the owner, past the row-level policies. The acts work as the web role.
  def db = owner

  # What the dispatcher's processes work with.
  def jobs
    @jobs ||= environment.dup.tap { |same| same.db = AskFirst::Store::Database.connect(settings.jobs_url, pool: 4) }
  end

  def owner = @owner ||= AskFirst::Store::Database.connect(settings.owner_url, pool: 4)
  def person(key) = world.people.fetch(key)
  def workspace(client = :quillmere) = world.workspaces.fetch(client)
  def channel(network, client = :quillmere) = world.channels.fetch(client).fetch(network)
  def member(who, client = :quillmere) = world.member(who, client)

  # Somebody new in a client, as no act of the demo makes them: limited to some channels, say.
  # @param role [String] its name
  # @param limited [Array<String>, Symbol, nil] ids of the channels that their part is limited to, or the network of one
  # @return [Array(String, String, String)] login, the person's id, the membership's
  def somebody(role, client: :quillmere, side: "agency", limited: nil)
    login = "in#{SecureRandom.hex(3)}"
    person =
      AskFirst::App::People::AddPerson.call(
        environment,
        agency_id: owner[:agencies].get(:id),
        name: "Somebody #{login}",
        email: "#{login}@fernhollow.example",
        zone: "Europe/Lisbon",
        password: Demo::World::PASSWORD,
        cost: CHEAP
      )
    here = { workspace_id: workspace(client) }
    id = AskFirst::Core::Uuid.v7(Time.now)
    role_id = owner[:roles].where(name: role).get(:id)
    row = { id: id, person_id: person, side: side, role_id: role_id, since: environment.now, limited: !limited.nil? }
    owner[:memberships].insert(here.merge(row))
    channels = limited.is_a?(Symbol) ? [channel(limited, client)] : limited.to_a
    owner[:membership_channels].multi_insert(channels.map { |one| { **here, membership_id: id, channel_id: one } })
    [login, person, id]
  end

  # The same as whoever acts.
  # @return [AskFirst::App::Member]
  def insider(role, client: :quillmere, **how)
    person = somebody(role, client: client, **how)[1]
    AskFirst::App::Member.from_row(
      AskFirst::Store::People::Members.find(environment.db, person, workspace(client), environment.now),
      from: "127.0.0.1"
    )
  end

  # The constants of the acts are found by name, so that specs read as sentences.
  def act(name, who, client = :quillmere, **input)
    AskFirst::App.const_get(name).call(
      environment,
      who.is_a?(AskFirst::App::Member) ? who : member(who, client),
      **input
    )
  end

  # As the dispatcher does: what has come is read.
  def read_media(client = :quillmere)
    process = AskFirst::App::Member.process(workspace(client), "dispatcher")
    unread = owner[:media].where(workspace_id: workspace(client), read_at: nil).select_map(:id)
    unread.each { |id| AskFirst::App::Media::ReadMedium.call(jobs, process, media_id: id) }
  end

  def write(post, part, value, who: :maro, on: nil, client: :quillmere)
    channel_id = on && channel(on, client)
    row = db[:parts].where(post_id: post, channel_id: channel_id, part: part).first
    act(
      "Posts::UpdatePart",
      who,
      client,
      post_id: post,
      channel_id: channel_id,
      part: part,
      value: value,
      version: row ? row[:version] : 0
    )
  end

  # A whole draft: copy by Maro, a picture by Sunniva, planned for tomorrow 7:30 in the client's zone.
  def draft(
    channels: %i[ticker vitrine],
    text: "When fog sits on the estuary, the 7:20 does not guess.",
    wall: "2026-10-15T07:30",
    client: :quillmere,
    picture: true
  )
    post = act("Posts::CreatePost", :ines, client, subject: "Fog days")
    act("Posts::ChooseChannels", :ines, client, post_id: post, channel_ids: channels.map { |one| channel(one, client) })
    write(post, "text", text, client: client)
    if wall
      write(
        post,
        "time",
        { "wall" => wall, "zone" => Demo::World::CLIENTS.fetch(client)[:zone] },
        who: :ines,
        client: client
      )
    end
    illustrate(post, client: client) if picture
    post
  end

  def illustrate(post, client: :quillmere)
    picture = act("Media::UploadMedia", :sunniva, client, io: self.class.picture, name: "boat.jpg")
    write(post, "media", [picture[:id]], who: :sunniva, client: client)
    write(post, "descriptions", { picture[:id] => "A ferry in fog" }, who: :sunniva, client: client)
    picture
  end

  def self.picture(seed = 1)
    @pictures ||= {}
    StringIO.new(@pictures[seed] ||= Demo::Pictures.draw(:boat, seed, width: 640, height: 400).string)
  end

  # As a dispatcher leaves it between its claim and the network's reply.
  # @param lease_until [Time]
  def sending(post, network: nil, lease_until: environment.now + 60)
    found = owner[:showings].where(post_id: post)
    found = found.where(channel_id: channel(network)) if network
    found.update(
      state: "sending",
      sender: AskFirst::Core::Uuid.v7(environment.now),
      lease_until: lease_until,
      due_at: lease_until,
      over_at: lease_until,
      tries: 1,
      try_no: Sequel[:try_no] + 1,
      may_be_out: true
    )
  end

  def step(position, client = :quillmere)
    route = db[:routes].where(workspace_id: workspace(client), is_default: true).select(:id)
    db[:route_steps].where(workspace_id: workspace(client), position: position, route_id: route, retired_at: nil).get(
      :id
    )
  end

  def ask(post, position, who: :ines, client: :quillmere, **more)
    act("Signoff::SendAsk", who, client, step_id: step(position, client), post_ids: Array(post), **more)
  end

  def line(post)
    db[:ask_lines]
      .where(Sequel[:ask_lines][:post_id] => post)
      .join(:asks, id: :ask_id)
      .order(:order_no)
      .select_all(:ask_lines)
      .last
  end

  def shown(post)
    db[:ask_line_adaptations]
      .where(line_id: line(post)[:id])
      .join(:revision_adaptations, id: :revision_adaptation_id)
      .select_hash(Sequel[:ask_line_adaptations][:adaptation_id], :fingerprint)
  end

  def answer(post, who, verdict = "yes", words = "", client: :quillmere, **more)
    act(
      "Signoff::AnswerAsk",
      who,
      client,
      line_id: line(post)[:id],
      verdict: verdict,
      words: words,
      shown: shown(post),
      seen: seen(post, who),
      **more
    )
  end

  # The order of somebody's last word that their page would show: at this step on what the line asks about, on
  # whichever line.
  def seen(post, who)
    asked = db[:ask_line_adaptations].where(line_id: line(post)[:id]).select(:adaptation_id)
    step = db[:asks].where(id: line(post)[:ask_id]).get(:step_id)
    db[:answers].where(adaptation_id: asked, step_id: step, person_id: person(who)).max(:order_no) || 0
  end

  def clear(post, client: :quillmere, approver: :odile)
    ask(post, 0, client: client)
    answer(post, :wren, client: client)
    ask(post, 1, client: client)
    answer(post, approver, client: client)
  end

  def release(post, who: :ines, client: :quillmere, **more)
    act("Dispatch::Release", who, client, post_id: post, **more)
  end

  def post_state(post, client = :quillmere)
    scope = AskFirst::Store::Scope.new(environment.db, workspace_ids: workspace(client), person_id: nil, side: "agency")
    scope.transaction { AskFirst::Store::Posts::PostState.load(scope, [post], environment.now).fetch(post) }
  end

  def stages(post, client = :quillmere)
    post_state(post, client).adaptations.to_h { |one| [one.channel[:network].downcase.to_sym, one.stage] }
  end

  def stage(post)
    db[:posts].where(id: post).get(:stage)
  end

  def adaptation(post, network)
    db[:adaptations].where(post_id: post, channel_id: channel(network)).get(:id)
  end

  def acts(post)
    db[:record].where(post_id: post).order(:order_no).select_map(:act)
  end
end

RSpec.shared_context "with a world" do
  let(:world) { |example| SpecWorld.shared(example.metadata[:absolute_file_path]) }
  let(:db) { world.db }

  before do
    Que.connection = world.environment.db # one queue for a process; the specs have several worlds in one
    world.clock.set(SpecWorld::NOON)
  end
end

RSpec.configure do |config|
  config.include_context "with a world", database: true
  config.after(:suite) { Infrastructure.processes.stop }
end
