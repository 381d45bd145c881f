# frozen_string_literal: true

module Bench
  # Multiplies one post with everything that hangs on it, by SQL alone: ids are derived from the old id and a number, so
  # that every reference still fits.
  class Crowd
    # table => columns whose ids are derived anew
    TABLES = {
      posts: %i[id],
      adaptations: %i[id post_id],
      parts: %i[post_id],
      revisions: %i[id post_id],
      revision_adaptations: %i[id revision_id post_id adaptation_id],
      ask_lines: %i[id post_id revision_id],
      ask_line_adaptations: %i[line_id adaptation_id revision_adaptation_id],
      answers: %i[id line_id post_id adaptation_id],
      showings: %i[id post_id adaptation_id],
      releases: %i[id post_id showing_id adaptation_id revision_adaptation_id],
      record: %i[id post_id adaptation_id revision_id]
    }.freeze
    GENERATED = { record: %i[order_no], answers: %i[order_no], parts: %i[planned] }.freeze

    # @param db [Sequel::Database] as owner
    def initialize(db)
      @db = db
    end

    # @param post_id [String] the pattern
    # @param count [Integer]
    def multiply(post_id, count)
      @db.transaction { TABLES.each { |table, ids| copy(table, ids, post_id, count) } }
      TABLES.each_key { |table| @db.run("ANALYZE #{table}") }
    end

    # Puts the posts at minutes of their own over the days before, each with its planned time: nobody plans 20,000
    # posts for one minute. The same each time.
    # @param except [Array<String>] posts that stay where they are
    def scatter(days, except:)
      back = ->(id) { "make_interval(mins => ('x' || substr(md5(#{id}::text), 1, 7))::bit(28)::int % #{days * 1440})" }
      @db[:posts].exclude(id: except).exclude(at: nil).update(at: Sequel.lit("at - #{back.call("id")}"))
      wall = "to_char((value ->> 'wall')::timestamp - #{back.call("post_id")}, 'YYYY-MM-DD\"T\"HH24:MI:SS')"
      @db[:parts]
        .exclude(post_id: except)
        .where(part: "time")
        .update(value: Sequel.lit("jsonb_set(value, '{wall}', to_jsonb(#{wall}))"))
      %w[posts parts].each { |table| @db.run("ANALYZE #{table}") }
    end

    # @return [Array<String>] ids of the copies
    def ids(post_id, count)
      @db["SELECT md5(? || n)::uuid::text AS id FROM generate_series(1, ?) n", post_id, count].select_map(:id)
    end

    private

    def copy(table, ids, post_id, count)
      columns = @db[table].columns - GENERATED.fetch(table, [])
      derived =
        columns.map do |column|
          ids.include?(column) ? Sequel.lit("md5(t.#{column}::text || n)::uuid") : Sequel[:t][column]
        end
      source =
        @db[table]
          .from_self(alias: :t)
          .where(belongs(table, post_id))
          .cross_join(Sequel.function(:generate_series, 1, count).as(:n))
          .select(*derived)
      @db[table].insert(columns, source)
    end

    def belongs(table, post_id)
      return { Sequel[:t][:id] => post_id } if table == :posts
      if table == :ask_line_adaptations
        return { Sequel[:t][:line_id] => @db[:ask_lines].where(post_id: post_id).select(:id) }
      end

      { Sequel[:t][:post_id] => post_id }
    end
  end
end
