# frozen_string_literal: true

require "base64"

# The consent pages and token endpoints of the networks, as any OAuth 2.0 client meets them.
RSpec.describe "The stand-ins' consent" do
  let(:base) { Infrastructure.stand_ins[:url] }
  let(:issuer) { "#{base}/networks/noticeboard" }
  let(:login) { "user#{SecureRandom.hex(4)}" }
  let(:handle) { "h#{SecureRandom.hex(4)}" }
  # Source: RFC 7636, appendix B
  let(:verifier) { "dBjftJeZ4CVP-mB92K27uhbUJU1p1r_wW1gFWFOEjXk" }
  let(:challenge) { "E9Melhoa2OwvFrEMTJguCHaoeK1t8URWbuGJSstw-cM" }
  let(:asked) do
    {
      "response_type" => "code",
      "client_id" => "https://app.example",
      "redirect_uri" => "https://app.example/back",
      "state" => "s1",
      "code_challenge" => challenge,
      "code_challenge_method" => "S256"
    }
  end

  before { control("people", { login: login, accounts: { handle => "Somebody's board" } }) }

  def control(path, body) =
    Net::HTTP.post(
      URI("#{base}/control/noticeboard/#{path}"),
      JSON.generate(body),
      "Content-Type" => "application/json"
    )
  def form(path, values) =
    Net::HTTP.post(
      URI("#{issuer}/#{path}"),
      URI.encode_www_form(values),
      "Content-Type" => "application/x-www-form-urlencoded"
    )
  def back(reply) = URI.decode_www_form(URI.parse(reply["location"]).query).to_h

  def consent(**more)
    back(
      form(
        "authorize",
        asked.merge("login" => login, "password" => "stand-in", "step" => "allow", "handles[]" => handle).merge(
          more.transform_keys(&:to_s)
        )
      )
    )
  end

  def token(values)
    reply = form("token", values)
    [reply.code, JSON.parse(reply.body)]
  end

  def exchange(code, with: verifier, redirect: "https://app.example/back")
    token(
      "grant_type" => "authorization_code",
      "code" => code,
      "code_verifier" => with,
      "redirect_uri" => redirect,
      "client_id" => "https://app.example"
    )
  end

  def config(access)
    request = Net::HTTP::Get.new(URI("#{issuer}/micropub/#{handle}?q=config"), "Authorization" => "Bearer #{access}")
    Net::HTTP.start(request.uri.host, request.uri.port) { |http| http.request(request) }.code
  end

  it "describe themselves where RFC 8414 says" do
    said = JSON.parse(Net::HTTP.get(URI("#{base}/.well-known/oauth-authorization-server/networks/noticeboard")))
    expect(said).to include(
      "issuer" => issuer,
      "authorization_endpoint" => "#{issuer}/authorize",
      "token_endpoint" => "#{issuer}/token",
      "code_challenge_methods_supported" => ["S256"]
    )
    expect(said["network-card"]["name"]).to eq "Noticeboard"
  end

  it "give a code once, to whoever has the verifier, at the same address (RFC 6749, 4.1; RFC 7636, 4.6)" do
    answer = consent
    expect(answer).to include("state" => "s1", "iss" => issuer)
    expect(exchange(answer["code"], with: "a" * 43)).to match ["400", a_hash_including("error" => "invalid_grant")]
    expect(exchange(consent["code"], redirect: "https://evil.example/back").first).to eq "400"
    code = consent["code"]
    status, grant = exchange(code)
    expect([status, grant["accounts"].map { |one| one["handle"] }]).to eq ["200", [handle]]
    expect(exchange(code).first).to eq "400"
    expect(config(grant["access_token"])).to eq "200"
  end

  it "say no the standard's way: denied, no PKCE, another kind of answer, an address that is none" do
    expect(consent(step: "deny")).to include("error" => "access_denied", "state" => "s1")
    expect(consent(code_challenge_method: "plain")).to include("error" => "invalid_request")
    expect(consent(response_type: "token")).to include("error" => "unsupported_response_type")
    expect(form("authorize", asked.merge("redirect_uri" => "javascript:alert(1)")).code).to eq "400"
    expect(
      form("authorize", asked.merge("login" => login, "password" => "wrong", "step" => "sign_in")).code
    ).to eq "401"
  end

  it "give only accounts of who signed in, and only ticked ones" do
    other = "h#{SecureRandom.hex(4)}"
    control("people", { login: "other#{login}", accounts: { other => "Not theirs" } })
    reply =
      form(
        "authorize",
        asked.merge("login" => login, "password" => "stand-in", "step" => "allow", "handles[]" => other)
      )
    expect(reply["location"]).to be_nil # back to the boxes
  end

  it "refresh with each refresh token until the new one is used, end tokens at their time, and revoke (RFC 6749, 6; " \
       "RFC 7009)" do
    control("lives", { token: 1 })
    _, grant = exchange(consent["code"])
    control("lives", { token: 3_600 })
    status, renewed = token("grant_type" => "refresh_token", "refresh_token" => grant["refresh_token"])
    expect([status, renewed["access_token"] == grant["access_token"]]).to eq ["200", false]
    expect([config(grant["access_token"]), config(renewed["access_token"])]).to eq %w[401 200]
    # the new token has been used, so its reply arrived: the old one works no more
    expect(token("grant_type" => "refresh_token", "refresh_token" => grant["refresh_token"])).to match [
            "400",
            a_hash_including("error" => "invalid_grant")
          ]
    form("revoke", "token" => renewed["access_token"])
    expect(config(renewed["access_token"])).to eq "401"
    expect(token("grant_type" => "password").last["error"]).to eq "unsupported_grant_type"
  ensure
    control("lives", { token: 3_600 })
  end
end
