# frozen_string_literal: true

require "rack/mock"

RSpec.describe AskFirst::Web::BodyGuard, database: false do
  let(:guarded) { described_class.new(->(env) { [200, {}, [env["rack.input"].read.to_s]] }) }

  def send_json(body, path: "/api/x")
    Rack::MockRequest.new(guarded).put(path, "CONTENT_TYPE" => "application/json", :input => body)
  end

  def code(reply) = JSON.parse(reply.body)["code"]

  it "hands on what is well" do
    expect(send_json('{"value":"fine 😀 \ud83d\ude00 \\\\ud83d"}').body).to include "fine"
  end

  it "refuses half of a pair, whichever half, and says that nothing is lost" do
    ['{"v":"\ud83d"}', '{"v":"\ude00"}', '{"v":"\ud83d\ud83d\ude00"}'].each do |body|
      reply = send_json(body)
      expect([reply.status, code(reply)]).to eq [422, "bad_characters"]
      expect(reply.body).to include "nothing you typed is lost"
    end
  end

  it "does not mistake an escaped backslash for an escape" do
    expect(send_json('{"v":"\\\\ud83d"}').status).to eq 200
  end

  it "refuses addresses that are no text" do
    expect(code(send_json("{}", path: "/api/%00"))).to eq "bad_encoding"
    expect(code(send_json("{}", path: "/api/%FF"))).to eq "bad_encoding"
    expect(code(send_json("{}", path: "/api/x?q=%FF"))).to eq "bad_encoding"
  end

  it "leaves uploads alone" do
    reply =
      Rack::MockRequest.new(guarded).post(
        "/api/media",
        "CONTENT_TYPE" => "application/octet-stream",
        :input => "\xFF\xD8"
      )
    expect(reply.status).to eq 200
  end
end

RSpec.describe AskFirst::Web::SameOrigin, database: false do
  let(:app) { described_class.new(->(_) { [200, {}, ["done"]] }, "http://ask.example") }

  def status(method, headers)
    Rack::MockRequest.new(app).request(method, "http://ask.example/api/x", headers).status
  end

  {
    ["POST", {}] => 200,
    ["POST", { "HTTP_SEC_FETCH_SITE" => "same-origin" }] => 200,
    ["POST", { "HTTP_SEC_FETCH_SITE" => "none" }] => 200,
    ["POST", { "HTTP_SEC_FETCH_SITE" => "cross-site" }] => 403,
    ["POST", { "HTTP_SEC_FETCH_SITE" => "same-site" }] => 403,
    ["POST", { "HTTP_ORIGIN" => "http://ask.example" }] => 200,
    ["POST", { "HTTP_ORIGIN" => "https://evil.example" }] => 403,
    ["POST", { "HTTP_ORIGIN" => "http://ask.example:81" }] => 403,
    ["POST", { "HTTP_ORIGIN" => "https://ask.example" }] => 403,
    [
      "POST",
      {
        "HTTP_ORIGIN" => "https://evil.example",
        "HTTP_X_FORWARDED_HOST" => "evil.example",
        "HTTP_X_FORWARDED_PROTO" => "https"
      }
    ] =>
      403,
    ["POST", { "HTTP_ORIGIN" => "null" }] => 403,
    ["DELETE", { "HTTP_ORIGIN" => "https://evil.example" }] => 403,
    ["GET", { "HTTP_SEC_FETCH_SITE" => "cross-site" }] => 200
  }.each do |(method, headers), expected|
    it "#{method} with #{headers.empty? ? "no word of its origin" : headers.values.first} is " \
         "#{expected == 200 ? "let through" : "refused"}" do
      expect(status(method, headers)).to eq expected
    end
  end
end

RSpec.describe AskFirst::Web::Interface, database: false do
  around do |example|
    Dir.mktmpdir do |dir|
      @folder = dir
      {
        "app/index.html" => "<app>",
        "app/assets/a.js" => "let a",
        "review/index.html" => "<review>",
        "review/assets/r.js" => "let r",
        "secret.txt" => "secret"
      }.each do |name, body|
        path = File.join(dir, name)
        FileUtils.mkdir_p(File.dirname(path))
        File.write(path, body)
      end
      File.binwrite(File.join(dir, "app/assets/a.js.gz"), "zipped")
      File.binwrite(File.join(dir, "app/assets/a.js.br"), "pressed")
      example.run
    end
  end

  def get(path, headers = {})
    Rack::MockRequest.new(described_class.new(@folder)).get(path, headers)
  end

  it "gives the application's page for every address of the application" do
    expect(get("/desk").body).to eq "<app>"
    expect(get("/w/1/posts/2").body).to eq "<app>"
    expect(get("/desk").headers["cache-control"]).to eq "no-cache"
  end

  it "gives the client's review its own build" do
    expect(get("/review/").body).to eq "<review>"
    expect(get("/review/assets/r.js").body).to eq "let r"
  end

  # Content Security Policy Level 2, section 7.17.5 has the script and its hash as an example (from memory).
  it "lets the client's review run and style what its page itself holds, by its hash, and nothing else" do
    page = "<script>alert('Hello, world.');</script><style>p {}</style>"
    File.write(File.join(@folder, "review/index.html"), page)
    policy = get("/review/").headers["content-security-policy"]
    expect(policy).to include "script-src 'self' 'sha256-qznLcsROx4GACP2dm0UCKCzCG+HiZ1guq6ZZDob/Tng=';"
    expect(policy).to include "style-src 'self' 'sha256-#{Digest::SHA256.base64digest("p {}")}'"
    expect(policy).not_to include "unsafe-inline"
    expect(get("/desk").headers["content-security-policy"]).to be_nil
  end

  it "lets what is named by its content be kept for a year, compressed where that is understood" do
    expect(get("/assets/a.js").headers["cache-control"]).to include "immutable"
    {
      "gzip" => %w[zipped gzip],
      "gzip, deflate, br" => %w[pressed br],
      "gzip, br;q=0" => %w[zipped gzip],
      "identity" => ["let a", nil]
    }.each do |taken, got|
      reply = get("/assets/a.js", "HTTP_ACCEPT_ENCODING" => taken)
      expect([reply.body, reply.headers["content-encoding"]]).to eq got
      expect(reply.headers["vary"]).to eq "accept-encoding"
    end
  end

  it "gives nothing outside its folders" do
    expect(get("/../secret.txt").body).to eq "<app>"
    expect(get("/..%2fsecret.txt").body).to eq "<app>"
    expect(get("/secret.txt").body).to eq "<app>"
  end

  it "says what to do where nothing was built" do
    reply = Rack::MockRequest.new(described_class.new("/nowhere")).get("/")
    expect([reply.status, reply.body]).to eq [503, "The interface has not been built yet: run bin/start."]
  end

  it "takes no writes" do
    expect(Rack::MockRequest.new(described_class.new(@folder)).post("/desk").status).to eq 404
  end
end

RSpec.describe AskFirst::Web::Problem, database: false do
  core = AskFirst::Core

  {
    core::Invalid.new("bad_time", "No.", field: "time") => 422,
    core::Refused.new("not_yours", "No.") => 403,
    core::NotFound.new => 404,
    core::Conflict.new("sealed", "No.") => 409,
    core::Over.new("too_late", "No.") => 410,
    core::Dispatch::Lapsed.new => 422
  }.each do |error, status|
    it "#{error.class.name.split("::").last} is #{status}, as problem details (RFC 9457)" do
      answer, headers, body = described_class.of(error)
      problem = JSON.parse(body.first)
      expect([answer, headers["content-type"], problem["status"], problem["code"]]).to eq [
           status,
           "application/problem+json",
           status,
           error.code
         ]
      expect(problem.keys).to include "type", "title", "detail", "field", "way_on"
    end
  end

  it "says the same of what is not there and of what is not yours" do
    expect(described_class.of(core::NotFound.new("This post"))[2].first).to include "is not here, or not yours to see."
  end
end

RSpec.describe AskFirst::Settings, database: false do
  it "reads the environment once into typed values" do
    settings =
      described_class.from(
        "ASK_FIRST_CLOCK_OFFSET" => "-12.5",
        "ASK_FIRST_SMTP_PORT" => "25",
        "ASK_FIRST_ENV" => "test"
      )
    expect([settings.clock_offset, settings.smtp_port, settings.test?, settings.lease]).to eq [-12.5, 25, true, 30.0]
    expect(settings).to be_frozen
  end

  it "stops at what is no number" do
    expect { described_class.from("ASK_FIRST_SMTP_PORT" => "many") }.to raise_error(ArgumentError)
  end

  it "gives up a network's reply before a sender's lease is over" do
    settings = described_class.from({})
    expect(settings.network_timeout).to be < settings.lease
  end
end
