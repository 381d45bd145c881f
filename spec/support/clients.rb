# frozen_string_literal: true

# Further clients beside the story's two, for specs that archive, delete or furnish them.
module ClientSteps
  # @return [Symbol] its key in the world
  def fresh_client(name = "Client #{SecureRandom.hex(3)}", who: :ines, **more)
    key = :"c#{SecureRandom.hex(4)}"
    id =
      AskFirst::App::Clients::CreateClient.call(
        world.environment,
        agency_person(who),
        name: name,
        initials: "Cl",
        edge: "#336655",
        zone: "Europe/Lisbon",
        **more
      )
    world.world.workspaces[key] = id
    world.world.channels[key] = {}
    key
  end

  def agency_person(who)
    AskFirst::App::AgencyPerson.load(world.environment, world.person(who), from: "127.0.0.1")
  end

  # Somebody at a client who may do everything, on some channels alone.
  # @return [AskFirst::App::Member]
  def limited_to(*channels, client: self.client)
    world.insider("agency owner", client: client, limited: channels)
  end

  # What a member of one client reads through.
  def scope_of(client, who: :ines, limits: nil)
    id = world.workspace(client)
    AskFirst::Store::Scope.new(
      world.environment.db,
      workspace_ids: [id],
      person_id: world.person(who),
      side: "agency",
      limits: limits ? { id => limits } : {}
    )
  end

  # Connects an account of the client at a network, as its people do.
  def connected(client, network = "ticker", **more)
    world.world.visitor.add_person(network, "fernhollow", { "#{client}#{more.delete(:suffix)}" => "Account" })
    world.world.channels[client][network.to_sym] = world
      .world
      .visitor
      .connect(world.environment, world.member(:ines, client), network, "fernhollow", [client.to_s], **more)
      .first
  end

  # A post of Ines alone: one channel, copy, time.
  def plain_post(client, channel_id, text: "The late boat waits.", wall: "2026-10-15T07:30")
    post = world.act("Posts::CreatePost", :ines, client, subject: "Late boat")
    world.act("Posts::ChooseChannels", :ines, client, post_id: post, channel_ids: Array(channel_id))
    world.act("Posts::UpdatePart", :ines, client, post_id: post, channel_id: nil, part: "text", value: text, version: 0)
    world.act(
      "Posts::UpdatePart",
      :ines,
      client,
      post_id: post,
      channel_id: nil,
      part: "time",
      value: {
        "wall" => wall,
        "zone" => "Europe/Lisbon"
      },
      version: 0
    )
    post
  end

  # The same, cleared: a fresh client's route has no step, so its lead says that it is ready.
  def ready_post(...)
    plain_post(...).tap do |post|
      world.act(
        "Posts::MarkReady",
        :ines,
        db[:posts].where(id: post).get(:workspace_id).then { |id| world.world.workspaces.key(id) },
        post_id: post
      )
    end
  end

  # A route of one step, which Bram answers.
  def one_step_route(client, person = :bram)
    steps = [
      {
        "name" => "Read",
        "side" => "internal",
        "quorum" => "any",
        "hours" => 9,
        "required" => true,
        "four_eyes" => false,
        "people" => [world.person(person)]
      }
    ]
    change_route(client, steps)
  end

  # Today's route with other steps in it.
  # @param more [Hash] seen, about, let_go
  def change_route(client, steps, who: :ines, **more)
    here = route_here(client)
    about = here.slice(:name, :releases_itself, :locks_time).merge(more.delete(:about) || {})
    seen = { route_id: here[:id], seen: here[:version] }.merge(more)
    world.act("Signoff::SaveRoute", who, client, steps: steps, about: about, **seen)
  end

  # The route that every post passes, as the page shows it.
  def route_here(client)
    here = world.act("Signoff::RouteList", :ines, client)
    here[:routes].find { |one| one[:default] }.merge(here.slice(:presets, :able, :can))
  end
end

RSpec.configure do |config|
  config.include ClientSteps, database: true
  config.include ClientSteps, browser: true
end
