# frozen_string_literal: true

# A capability has one name in every layer, and so has each of its rooms: whoever knows the folder of one layer knows
# the folders of all.
RSpec.describe "The capabilities" do
  rooms = {
    "agency" => [],
    "campaigns" => [],
    "channels" => [],
    "checks" => [],
    "clients" => [],
    "dispatch" => [],
    "feeds" => [],
    "figures" => [],
    "ideas" => [],
    "media" => %w[editing library renditions uploads versions],
    "partners" => [],
    "people" => %w[members profile],
    "permissions" => [],
    "plan" => %w[bulk calendar clock dates fixtures marks moving pace paper sharing],
    "posts" => %w[sheet writing],
    "record" => [],
    "signoff" => %w[answers asks passes reminders routes rulings sheets verdicts],
    "talk" => [],
    "traffic" => []
  }
  root = File.expand_path("..", __dir__)
  # What is no capability: what all of them share, and the pages of guests.
  shared = {
    "core" => %w[exchange],
    "app" => %w[door],
    "store" => %w[door migrations],
    "edge" => %w[files mail networks pages sandbox],
    "web/openapi" => %w[common review],
    "web" => %w[agency openapi paper review],
    "ui/src" => %w[api live parts review samples],
    "spec/core" => %w[exchange],
    "spec/app" => []
  }
  named = ->(layer) { Dir[File.join(root, layer, "*")].map { |path| File.basename(path) } }

  # A folder beside a file of its name holds parts of that class, and is no room.
  def folders(root, layer)
    Dir[File.join(root, layer, "*/")]
      .reject { |path| File.exist?("#{path.chomp("/")}.rb") }
      .map { |path| File.basename(path) }
  end

  shared.each do |layer, others|
    it "#{layer} has no folder of another name" do
      expect(folders(root, layer) - rooms.keys - others).to eq []
    end
  end

  it "each one's routes and their description carry its name" do
    routes = named.call("web").grep(/_routes\.rb\z/).map { |name| name.delete_suffix("_routes.rb") }
    described = named.call("web/openapi").map { |name| name.delete_suffix(".yaml") }
    expect(routes - rooms.keys - %w[review]).to eq []
    expect(described - rooms.keys - %w[common review]).to eq []
  end

  rooms
    .reject { |_, inside| inside.empty? }
    .each do |capability, inside|
      it "#{capability} has the same rooms in every layer" do
        layers = %w[core app store ui/src spec/core spec/app].map { |layer| File.join(layer, capability) }
        there = layers.flat_map { |layer| folders(root, layer) }
        routes = named.call("web/#{capability}").map { |name| name.delete_suffix("_routes.rb") }
        described = named.call("web/openapi/#{capability}").map { |name| name.delete_suffix(".yaml") }
        expect((there + routes + described).uniq - inside).to eq []
        expect(inside - there - routes).to eq []
      end
    end

  it "a capability with rooms leaves no file beside them" do
    beside = %w[media plan signoff].flat_map { |name| Dir[File.join(root, "{core,app,store,ui/src}", name, "*.*")] }
    expect(beside).to eq []
  end
end
