# frozen_string_literal: true

# Every row of a client's record gets its place in a tree that only grows.
RSpec.describe "The sealed record" do
  let(:tree) { AskFirst::Core::Record::MerkleTree }
  let(:process) { AskFirst::App::Member.process(world.workspace, "record") }

  def once = AskFirst::App::Record::Seal.call(world.jobs, process)

  # Other specs have transactions of their own in this cluster, and a row waits for all that run.
  def seal
    sealed = 0
    1200.times { (sealed += once) && leaves.count == rows.count ? break : sleep(0.05) }
    sealed
  end

  def rows = db[:record].where(workspace_id: world.workspace)
  def leaves = db[:record_leaves].where(workspace_id: world.workspace).order(:position)
  # In the order of their places. Others may have sealed rows of this client before, while transactions ran.
  def placed
    db[:record]
      .join(:record_leaves, record_id: :id)
      .where(Sequel[:record][:workspace_id] => world.workspace)
      .order(:position)
      .select_all(:record)
  end

  def top = db[:record_tops].where(workspace_id: world.workspace).order(:size).last

  it "holds every row once, in the order of the record, under the root of RFC 6962" do
    seal
    before = leaves.count
    2.times { world.draft }
    new = rows.exclude(id: leaves.select(:record_id)).order(:order_no).select_map(:id)
    expect(seal).to be_positive
    expect(leaves.where { position >= before }.select_map(:record_id)).to eq new
    expect(leaves.select_map(:record_id)).to match_array rows.select_map(:id)
    hashes = placed.map { |row| AskFirst::Core::Record::Entry.leaf(row) }
    expect(top).to include(size: hashes.size, root: tree.root(hashes))
    expect(seal).to eq 0
  end

  it "only grows: each top is contained in the next" do
    2.times do
      world.draft
      seal
    end
    tops = db[:record_tops].where(workspace_id: world.workspace).order(:size).all
    hashes = leaves.select_map(:hash)
    tops.each_cons(2) do |one, other|
      path = tree.consistency(one[:size], hashes.first(other[:size]))
      expect(tree.consistent?(one[:size], one[:root], other[:size], other[:root], path)).to be true
    end
  end

  it "gives its place to what was written in another server and brought here, whose numbers are higher than any here" do
    seal
    post = world.draft
    kept = rows.where(post_id: post)
    world.owner.run("ALTER TABLE record DISABLE TRIGGER USER")
    kept.update(tx: Sequel.lit("'9000000000000000000'::xid8"))
    world.owner.run("ALTER TABLE record ENABLE TRIGGER USER")
    seal
    expect(leaves.where(record_id: kept.select(:id)).count).to eq kept.count
  ensure
    world.owner.run("ALTER TABLE record ENABLE TRIGGER USER")
  end

  it "gives no place to what is newer than a transaction that runs, and gives it after" do
    seal
    before = top[:size]
    begun = Queue.new
    go_on = Queue.new
    open =
      Thread.new do
        world.owner.transaction do
          AskFirst::Store::Scope.new(world.owner, workspace_ids: world.workspace, person_id: nil, side: "agency")
          world.owner.get(Sequel.function(:pg_current_xact_id)) # has its number, as one that has written
          begun << true
          go_on.pop
        end
      end
    begun.pop
    world.draft
    expect(once).to eq 0
    go_on << true
    open.join
    expect(seal).to be_positive
    expect(top[:size]).to be > before
  end

  it "by several at once gives each row one place" do
    seal
    before = leaves.count
    3.times { world.draft }
    new = rows.exclude(id: leaves.select(:record_id)).order(:order_no).select_map(:id)
    Array.new(4) { Thread.new { once } }.each(&:join)
    seal
    expect(leaves.where { position >= before }.select_map(:record_id)).to eq new
    expect(leaves.select_map(:position)).to eq (0...rows.count).to_a
  end

  it "shows what was changed behind its back" do
    world.draft
    seal
    row = rows.order(:order_no).last
    expect(AskFirst::Core::Record::Entry.leaf(row)).to eq leaves.last[:hash]
    changed = row.merge(facts: row[:facts].merge("verdict" => "yes"))
    expect(AskFirst::Core::Record::Entry.leaf(changed)).not_to eq leaves.last[:hash]
    expect { world.owner[:record_leaves].where(workspace_id: world.workspace).update(position: 99) }.to raise_error(
      Sequel::DatabaseError
    )
    expect { world.environment.db[:record_leaves].insert(workspace_id: world.workspace, position: 99) }.to raise_error(
      Sequel::DatabaseError
    )
  end

  it "stands at the foot of the client's mails" do
    seal
    mails = []
    mailer = Class.new { define_method(:deliver) { |**mail| mails << mail } }.new
    environment = world.environment.dup.tap { |same| same.mailer = mailer }
    post = world.draft
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
    AskFirst::App::Signoff::MailAsk.call(
      environment,
      process,
      ask_id: world.line(post)[:ask_id],
      person_id: world.person(:odile)
    )
    expect(
      mails.first[:text]
    ).to include "Our record of what was said: #{top[:size]} entries, sealed as #{top[:root].unpack1("H*")}."
  end
end
