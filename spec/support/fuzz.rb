# frozen_string_literal: true

# Calls that nobody should make: every route of the description, each with one thing of a wrong type or measure — in the
# address, the query, a header or the body. All of it follows from a seed.
class Fuzz
  Shot =
    Struct.new(:verb, :template, :path, :body, :headers, :what, keyword_init: true) do
      def to_s = "#{verb.upcase} #{path} #{what}"
    end

  NUMBERS = [0, -1, 1, 3, 2**31, 2**63, (2**63) - 1, -(2**63) - 1, 2**64, 10**30, 0.5, 1e300, -0.0].freeze
  TIMES = %w[
    0000-01-01T00:00
    0001-01-01T00:00
    2026-02-30T10:00
    9999-12-31T23:59
    10000-01-01T00:00
    -4713-01-01T00:00
    2026-10-25T02:30
    2026-13-01
    99999999-01-01
    2026-10-20T24:00
    2026-10-20T12:00:00+99:99
    infinity
    now
    0000-00-00
    +275760-09-13T00:00:00Z
    292278994-08-17T07:12:55Z
  ].freeze
  WORDS = [
    "",
    " ",
    "%",
    "_",
    "\\",
    "'",
    "\"",
    "\u0000",
    "a\u0000b",
    "\u202Eabc",
    "\uFEFF",
    "\r\nX-A: b",
    "=1+1",
    "null",
    "nil",
    "[]",
    "{}",
    "../../etc/passwd",
    "Europe/Nowhere",
    "Etc/GMT+14",
    "x" * 300,
    "y" * 20_000,
    "👩‍👩‍👧‍👦" * 200,
    "ﷺ" * 500,
    "text",
    "agency",
    "client",
    "yes",
    "true",
    "1e9",
    "00000000-0000-0000-0000-000000000000",
    "not-an-id",
    "{018f4d2e-0000-7000-8000-000000000000}"
  ].freeze
  BODIES = [
    "",
    "null",
    "[]",
    "1",
    "\"x\"",
    "true",
    "{",
    "{\"a\":",
    "[[[[",
    "{\"value\":NaN}",
    "\xFF\xFE",
    "{\"a\":\"\\ud800\"}",
    "#{"[" * 300}#{"]" * 300}",
    "--b\r\nContent-Disposition: form-data; name=\"x\"\r\n\r\n1\r\n--b--\r\n"
  ].freeze
  TYPES = [
    "application/json",
    "application/json; charset=utf-16",
    "multipart/form-data; boundary=b",
    "multipart/form-data",
    "application/x-www-form-urlencoded",
    "text/plain",
    "APPLICATION/JSON",
    "x",
    ""
  ].freeze
  RAW = ["%00", "%FF", "%", "%2e%2e%2f", "%252e", "a%0d%0ab", "%E2%80%AE", "[]"].freeze

  # @param ids [Hash{String=>Array<String>}] parameter's name => ids that exist
  def initialize(seed, workspace, ids)
    @random = Random.new(seed)
    @workspace = workspace
    @ids = ids
    @real = ids.values.flatten
    @routes =
      Routes.described["paths"].flat_map do |template, item|
        (item.keys & %w[get put post delete]).map { |verb| [verb, template, item] }
      end
  end

  # @return [Shot]
  def shot(number)
    verb, template, item = @routes[number % @routes.size]
    where = %i[path query header body field field field].sample(random: @random)
    send(
      where,
      Shot.new(
        verb: verb,
        template: template,
        path: address(template),
        body: sample(item, verb),
        headers: {
        },
        what: where.to_s
      ),
      item
    )
  end

  private

  def pick(from) = from.sample(random: @random)

  def address(template)
    template.gsub(/\{(\w+)\}/) { id(Regexp.last_match(1)) }
  end

  def id(name)
    return @workspace if name == "workspace"
    return pick(%w[text media link time hashtags first_comment format descriptions framing voice]) if name == "part"

    pick(@ids.fetch(name, @real)) || pick(@real)
  end

  def path(shot, _item)
    names = shot.template.scan(/\{(\w+)\}/).flatten
    return query(shot, nil) if names.empty?

    wrong = pick(names)
    with = pick([-> { escaped(anything) }, -> { pick(RAW) }, -> { pick(@real) }]).call
    shot.path = shot.template.gsub(/\{(\w+)\}/) { Regexp.last_match(1) == wrong ? with : id(Regexp.last_match(1)) }
    shot
  end

  def query(shot, item)
    described =
      if item
        [*item["parameters"], *item[shot.verb]["parameters"]].map { |one| Routes.resolve(one) }
          .select { |one| one["in"] == "query" }
          .map { |one| one["name"] }
      else
        []
      end
    name = pick(described + ["unknown"])
    name = "#{name}#{pick(["", "", "", "[]", "[a]", "[a][]"])}"
    shot.path += "?#{name}=#{pick([-> { escaped(anything) }, -> { pick(RAW) }, -> { pick(TIMES) }]).call}"
    shot
  end

  def header(shot, _item)
    shot.headers = {
      pick(
        %w[
          HTTP_IF_MATCH
          HTTP_IDEMPOTENCY_KEY
          HTTP_ACCEPT
          CONTENT_TYPE
          HTTP_COOKIE
          HTTP_X_FORWARDED_HOST
          HTTP_ACCEPT_LANGUAGE
          HTTP_RANGE
          HTTP_IF_NONE_MATCH
          HTTP_IF_MODIFIED_SINCE
        ]
      ) =>
        pick(
          [
            '"x"',
            '"99999999999999999999"',
            "W/\"1\"",
            "*",
            "",
            "\"-1\"",
            "1",
            "é\xFF".b,
            "k" * 5000,
            "bytes=5-1,99999999999999999999-",
            "text/html;q=x",
            "a=b; a=%FF; ask_first=x"
          ]
        )
    }
    shot
  end

  def body(shot, _item)
    return query(shot, nil) if shot.verb == "get"

    shot.body = pick(BODIES).b
    shot.headers = { "CONTENT_TYPE" => pick(TYPES) }
    shot
  end

  # One field of a body that fits gets something that does not.
  def field(shot, item)
    return query(shot, item) unless shot.body.is_a?(Hash)

    shot.body = shot.body.merge(extra(item, shot.verb)) if @random.rand < 0.5
    shot.what = "field"
    holder = shot.body
    name = pick(holder.keys + ["more"])
    holder, name = deeper(holder, name)
    holder[name] = anything
    shot
  end

  def deeper(holder, name)
    inner = holder[name]
    inner = inner.first if inner.is_a?(Array) && inner.first.is_a?(Hash)
    inner.is_a?(Hash) && inner.any? && @random.rand < 0.7 ? deeper(inner, pick(inner.keys)) : [holder, name]
  end

  def anything
    made =
      pick(
        [
          -> { pick(NUMBERS) },
          -> { pick(TIMES) },
          -> { pick(WORDS) },
          -> { pick(WORDS) },
          -> { pick(@real) },
          -> { pick([nil, true, false]) },
          -> { pick([[], {}, [nil], [[]], [{}], [1], ["x"] * 500]) },
          -> { { pick(%w[address value wall zone text id]) => pick(WORDS) } }
        ]
      ).call
    made.is_a?(Array) || made.is_a?(Hash) ? JSON.parse(JSON.generate(made)) : made
  end

  def escaped(value)
    URI.encode_www_form_component(value.is_a?(String) ? value : JSON.generate(value))
  end

  # A body that fits, with ids that are there.
  def sample(item, verb)
    schema = schema(item, verb) or return

    filled(JSON.parse(JSON.generate(Routes.sample(schema))))
  end

  def extra(item, verb)
    properties = Routes.resolve(schema(item, verb))["properties"] || {}
    name = pick(properties.keys) or return {}

    { name => filled(JSON.parse(JSON.generate([Routes.sample(properties[name])])).first, name) }
  end

  def schema(item, verb)
    content = Routes.resolve(item[verb]["requestBody"] || {})["content"] || {}
    content.dig("application/json", "schema")
  end

  def filled(value, name = nil)
    case value
    when Hash
      value.to_h { |key, inner| [key, filled(inner, key)] }
    when Array
      value.map { |inner| filled(inner, name) }
    when "x"
      known(name)
    else
      value
    end
  end

  def known(name)
    key = name.to_s.delete_suffix("_ids").delete_suffix("_id")
    return pick(@ids[key] || @real) if name.to_s.match?(/_ids?\z/) || @ids.key?(key)

    { "wall" => "2026-10-20T09:00", "zone" => "Europe/Lisbon", "from" => "2026-10-01", "to" => "2026-10-31" }.fetch(
      name.to_s,
      "x"
    )
  end
end
