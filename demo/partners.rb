# frozen_string_literal: true

module Demo
  # Whom Quillmere's posts are made with: one was agreed and is late, one is out, one may be there twice.
  class Partners
    KEPT = [
      {
        "name" => "Pier Bakehouse",
        "kind" => "firm",
        "status" => "delivered",
        "contact" => "lise@pierbakehouse.example",
        "fee" => {
          "minor" => 18_000,
          "currency" => "EUR"
        },
        "codes" => "DECKBREAD",
        "note" => "Bread for the portrait of the deckhands, and one morning at the oven."
      },
      {
        "name" => "The Lamplighters",
        "kind" => "firm",
        "status" => "agreed",
        "contact" => "band@lamplighters.example",
        "fee" => {
          "minor" => 45_000,
          "currency" => "EUR"
        },
        "due_on" => "2026-10-12",
        "note" => "Forty seconds of music for the night boat film. They play it on board on the first evening."
      },
      {
        "name" => "Estuary Walks",
        "kind" => "person",
        "status" => "out",
        "contact" => "walks@estuary.example",
        "link" => "https://estuary.example/walks",
        "codes" => "WALKON",
        "came" => "31 people came with the code in two weeks."
      },
      { "name" => "Bakehouse, Pier", "status" => "talked", "note" => "Wrote again about the winter bread." },
      { "name" => "Harbour School", "kind" => "firm", "status" => "talked", "due_on" => "2026-11-04" }
    ].freeze

    # @param world [World]
    # @param clock [Clock]
    def initialize(world, clock)
      @world = world
      @clock = clock
    end

    def furnish
      ids = KEPT.map { |said| act("SavePartner", fields: said)[:id] }
      here = @world.workspaces[:quillmere]
      idea = @world.db[:ideas].where(workspace_id: here).where(Sequel.like(:title, "What the deckhands%")).get(:id)
      post = @world.db[:posts].where(workspace_id: here).where(Sequel.like(:subject, "Deckhand%")).get(:id)
      act("Tie", partner_id: ids.first, post_ids: [post].compact, idea_ids: [idea])
      paper = StringIO.new("Pier Bakehouse and Quillmere Ferries: one morning, bread for eight, EUR 180.\n")
      act("AddFile", partner_id: ids.first, io: paper, name: "Agreement bakehouse.txt")
    end

    private

    def act(name, **input)
      AskFirst::App::Partners.const_get(name).call(@world.environment, @world.member(:ines, :quillmere), **input)
    end
  end
end
