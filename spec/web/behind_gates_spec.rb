# frozen_string_literal: true

# Who somebody is counts as it is at the moment that they act, and not as it was when they came: somebody else may have
# ended their part, made it smaller or archived the client in between. Every route comes from the description; each is
# called while the change stands and is not committed yet, so that whoever calls is still let in by the session.
RSpec.describe "Somebody whose part in a client changes while they act" do
  let(:own) { world.workspace }
  let(:insider) { world.somebody("agency owner") }
  let(:client) { ApiWorld.client(insider.first) }
  let(:writes) { Routes.of(own, ids).reject { |call| call.verb == "get" } }

  let(:ids) do
    post = world.draft
    world.ask(post, 0)
    cleared = world.draft
    world.clear(cleared)
    world.release(cleared)
    line = world.line(post)
    {
      "post" => post,
      "ask" => line[:ask_id],
      "line" => line[:id],
      "media" => world.post_state(post).master["media"].first,
      "channel" => world.channel(:ticker),
      "showing" => db[:showings].where(post_id: cleared).get(:id),
      "membership" => db[:memberships].where(workspace_id: own, person_id: world.person(:maro)).get(:id)
    }
  end

  # Whether somebody waits for what this connection has locked.
  def awaited?
    world.owner[:pg_locks].where(granted: false).where(Sequel.lit("pg_backend_pid() = ANY(pg_blocking_pids(pid))")).any?
  end

  # @yield in a transaction that holds the client's lock: what changes meanwhile
  # @return [Array(Integer, Hash, Boolean)] what the call was answered, once that was committed, and whether it waited
  def meanwhile(call)
    answer = nil
    caller = nil
    waited = false
    world.owner.transaction do
      world.owner[:workspaces].where(id: own).lock_style(AskFirst::Store::Locks::LOCK).all
      yield
      caller = Thread.new { answer = Routes.make(client, call, version: 1) }
      while caller.alive? && !(waited = awaited?)
        sleep 0.01
      end
    end
    caller.join
    [*answer, waited]
  end

  let(:membership) { db[:memberships].where(id: insider.last) }
  let(:workspace) { db[:workspaces].where(id: own) }
  # Of somebody who may only look.
  let(:least) do
    id = AskFirst::Core::Uuid.v7(Time.now)
    agency = db[:roles].where(name: "designer").get(:agency_id)
    row = { id: id, agency_id: agency, name: "onlooker #{id[-6..]}", side: "agency" }
    world.owner[:roles].insert(row.merge(abilities: Sequel.pg_array(["see"], :text)))
    id
  end
  let(:changes) do
    at = world.environment.now
    by = world.person(:ines)
    ended = { at: { ended_at: at }, back: { ended_at: nil }, rows: membership }
    archived = { at: { archived_at: at, archived_by: by }, back: { archived_at: nil, archived_by: nil } }
    deleted = { at: { deleted_at: at, deleted_by: by }, back: { deleted_at: nil, deleted_by: nil } }
    lowered = { at: { role_id: least }, back: { role_id: membership.get(:role_id) }, rows: membership }
    {
      "lowered" => lowered,
      "ended" => ended,
      "archived" => archived.merge(rows: workspace),
      "deleted" => deleted.merge(rows: workspace)
    }
  end

  # Whoever puts a client into the archive may take it out again, and delete what is in it; what of it one looks at is
  # one's own.
  let(:archived_too) do
    %w[archive delete channels/{channel}/off].flat_map do |path|
      %w[POST PUT].map { |verb| "#{verb} /api/w/{workspace}/#{path}" }
    end
  end

  # Talk, and what is one's own: whoever looks on may do these, too.
  let(:looking_on) do
    {
      "PUT" => %w[channels/{channel}/off posts/{post}/note],
      "POST" => %w[idea-address posts/{post}/files]
    }.flat_map { |verb, paths| paths.map { |path| "#{verb} /api/w/{workspace}/#{path}" } }
  end

  it "does nothing more, by any route" do
    client
    told = -> { db[:record].where(workspace_id: own, person_id: insider[1]).count }
    answers =
      writes
        .product(changes.to_a)
        .map do |call, (change, how)|
          before = told.call
          status, body, waited = meanwhile(call) { how[:rows].update(how[:at]) }
          how[:rows].update(how[:back])
          [call.to_s, change, status, body["code"], waited, told.call - before]
        end
    done = answers.select { |_, _, status, _, waited, more| more.positive? || (status < 400 && waited) }
    allowed = { "archived" => archived_too, "lowered" => looking_on }
    expect(done.reject { |call, change, *| allowed.fetch(change, []).include?(call) }).to eq []
    expect(answers.select { |_, _, status, *| status >= 500 }).to eq []
    expect(answers.count { |answer| answer[4] }).to be > 4 * 140
  end

  def refused(name, **input)
    world.act(name, @stale, **input)
    nil
  rescue AskFirst::Core::Error => e
    e.class.name.split("::").last
  end

  it "may do what they may by now: no more than a smaller role, or fewer channels" do
    @stale = AskFirst::App::Member.from_row(member_row)
    release = { post_id: world.draft.tap { |post| world.clear(post) } }
    membership.update(role_id: db[:roles].where(name: "designer").get(:id))
    expect(refused("Dispatch::Release", **release)).to eq "Refused"
    membership.update(role_id: db[:roles].where(name: "agency owner").get(:id), limited: true)
    expect(refused("Posts::Rename", post_id: release[:post_id], subject: "Mine")).to eq "NotFound"
    membership.update(limited: false)
    expect(refused("Dispatch::Release", **release)).to be_nil
  end

  def member_row(person = insider[1])
    AskFirst::Store::People::Members.find(world.environment.db, person, own, world.environment.now)
  end

  it "answers nothing by a link that was stopped while they wrote" do
    post = world.draft
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
    line = world.line(post)
    process = AskFirst::App::Member.process(own, "worker")
    world.act("Signoff::CreatePass", process, ask_id: line[:ask_id], person_id: world.person(:odile))
    pass = db[:guest_passes].where(ask_id: line[:ask_id]).first
    @stale = AskFirst::App::Member.from_row(member_row(world.person(:odile)), pass: pass)
    world.act("Signoff::RevokePass", :ines, pass_id: pass[:id])
    said = { line_id: line[:id], verdict: "yes", shown: world.shown(post), words: "", seen: 0 }
    expect(refused("Signoff::AnswerAsk", **said)).to eq "Over"
    expect(world.stage(post)).to eq "client_approval"
  end
end
