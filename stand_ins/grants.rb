# frozen_string_literal: true

require "base64"
require "digest"
require "securerandom"

module StandIns
  # What people have consented to at one network: OAuth 2.0 authorization code with PKCE (RFC 6749, RFC 7636), tokens
  # that expire, refresh tokens that are used once, revocation (RFC 7009).
  class Grants
    CODE_LIFE = 60
    Grant = Struct.new(:id, :login, :handles, :access, :refresh, :expires_at, :revoked, :before, keyword_init: true)

    attr_accessor :token_life

    def initialize(journal)
      @journal = journal
      @grants = {}
      @codes = {}
      @lock = Monitor.new
      @token_life = 3_600
    end

    # @return [String] the code
    def code_for(login, handles, challenge, redirect_uri)
      @lock.synchronize do
        code = SecureRandom.urlsafe_base64(24)
        @codes[code] = {
          login: login,
          handles: handles,
          challenge: challenge,
          redirect_uri: redirect_uri,
          until: Time.now + CODE_LIFE
        }
        code
      end
    end

    # @return [Grant, nil] nil when the code is unknown, used, too old, or the verifier does not fit
    def exchange(code, verifier, redirect_uri)
      @lock.synchronize do
        kept = @codes.delete(code) or return
        if kept[:until] < Time.now || kept[:redirect_uri] != redirect_uri || kept[:challenge] != challenge(verifier)
          return
        end

        keep("id" => SecureRandom.hex(6), "login" => kept[:login], "handles" => kept[:handles])
      end
    end

    # The old refresh token works until the new access token has been used once: a reply that got lost loses nothing.
    # (A network may do so or not: RFC 6749, section 6, leaves it open.)
    # @return [Grant, nil] with new tokens
    def refresh(token)
      @lock.synchronize do
        old = @grants.each_value.find { |grant| [grant.refresh, grant.before].include?(token) && !grant.revoked } or
          return
        keep("id" => old.id, "login" => old.login, "handles" => old.handles, "before" => token)
      end
    end

    def revoke(token)
      @lock.synchronize do
        found = @grants.each_value.find { |grant| [grant.access, grant.refresh].include?(token) } or return
        write("revoke" => { "id" => found.id })
      end
    end

    def revoke_all(login)
      @lock.synchronize do
        @grants
          .each_value
          .select { |grant| grant.login == login }
          .each { |grant| write("revoke" => { "id" => grant.id }) }
      end
    end

    # @return [Grant, nil] while it has not expired
    def find(access)
      @lock.synchronize do
        found =
          @grants.each_value.find do |grant|
            grant.access == access && !grant.revoked && Time.iso8601(grant.expires_at) > Time.now
          end or return
        write("used" => { "id" => found.id }) if found.before
        found
      end
    end

    def apply(kind, value)
      case kind
      when "grant"
        @grants[value["id"]] = Grant.new(**value.transform_keys(&:to_sym))
      when "revoke"
        @grants[value["id"]].revoked = true
      when "used"
        @grants[value["id"]].before = nil
      end
    end

    private

    def challenge(verifier)
      Base64.urlsafe_encode64(Digest::SHA256.digest(verifier.to_s), padding: false)
    end

    def keep(facts)
      tokens = {
        "access" => SecureRandom.hex(24),
        "refresh" => SecureRandom.hex(24),
        "expires_at" => (Time.now + token_life).utc.iso8601(3),
        "revoked" => false
      }
      write("grant" => facts.merge(tokens))
      @grants[facts["id"]]
    end

    def write(event)
      @journal.add(event)
      apply(*event.first)
    end
  end
end
