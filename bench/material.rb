# frozen_string_literal: true

require "open3"
require "tempfile"
require "vips"
require_relative "figures"

module Bench
  # A client's library of 5,000 files, against the same rows as JSON made by PostgreSQL alone; and pictures made ready
  # to go out, against libvips alone on the same files: how many a second, and how much memory at most.
  class Material
    MEDIA = 5_000
    PICTURES = 100
    SIZE = [3_000, 2_000].freeze
    ROWS = <<~SQL.freeze
      SELECT json_agg(t)::text AS json FROM (SELECT #{AskFirst::Store::Media::Library::COLUMNS.join(", ")},
        (SELECT json_agg(label_id) FROM media_labels l WHERE (l.workspace_id, l.media_id) = (m.workspace_id, m.id)) AS labels,
        (SELECT count(DISTINCT p.post_id) FROM parts p WHERE p.workspace_id = m.workspace_id AND p.part = 'media'
          AND p.value @> to_jsonb(ARRAY[m.id::text])) AS used
        FROM media m WHERE workspace_id = :w AND replaced_by IS NULL ORDER BY added_at DESC, id DESC LIMIT 61) t
    SQL
    COUNTS = <<~SQL
      SELECT json_build_object('all', count(*), 'pictures', count(*) FILTER (WHERE kind = 'picture'),
        'undescribed', count(*) FILTER (WHERE kind = 'picture' AND description = ''),
        'words', count(*) FILTER (WHERE covered > 200000), 'ends', count(*) FILTER (WHERE usable_until <= current_date),
        'near', count(*) FILTER (WHERE near_to IS NOT NULL), 'unused', count(*) FILTER (WHERE u.media_id IS NULL))::text AS json
      FROM media m LEFT JOIN (SELECT DISTINCT jsonb_array_elements_text(value) AS media_id FROM parts
        WHERE workspace_id = :w AND part = 'media') u ON u.media_id = m.id::text
      WHERE workspace_id = :w AND replaced_by IS NULL
    SQL

    def initialize(cluster)
      @world = SpecWorld.new(cluster: cluster)
    end

    def call
      library
      renditions
    end

    private

    def library
      post = @world.draft
      multiply(@world.owner[:media].first, post)
      puts "\nA library of #{@world.owner[:media].where(workspace_id: @world.workspace).count} files"
      floor = ->(sql) { Figures.median_ms { @world.db.fetch(sql, w: @world.workspace).get(:json) } }
      page = Figures.median_ms { JSON.generate(@world.act("Media::Library", :ines)) }
      Figures.line("its first page", page, floor.call(ROWS), "ms")
      rail = Figures.median_ms { JSON.generate(@world.act("Media::Folders", :ines)) }
      Figures.line("what it can be narrowed by, counted", rail, floor.call(COUNTS), "ms")
    end

    def multiply(row, post)
      ids = Array.new(MEDIA) { AskFirst::Core::Uuid.v7(Time.now) }
      ids.each_slice(500) do |some|
        rows =
          some.map { |id| row.merge(id: id, digest: SecureRandom.hex(32), likeness: rand(2**62), added_at: Time.now) }
        @world.owner[:media].multi_insert(rows.map { |one| one.merge(boxes: AskFirst::Store::Database.jsonb([])) })
      end
      @world.write(post, "media", ids.sample(10, random: Random.new(1)), who: :sunniva)
      @world.owner.run("ANALYZE")
    end

    def renditions
      noise = Vips::Image.gaussnoise(*SIZE, mean: 128, sigma: 40).cast(:uchar)
      picture = noise.bandjoin([noise.rot180, noise]).copy(interpretation: :srgb)
      puts "\n#{PICTURES} pictures of #{SIZE.join(" x ")} made ready for a network"
      Tempfile.create(%w[picture .jpg]) do |file|
        picture.jpegsave(file.path, Q: 85)
        ours, floor = %w[ours alone].map { |how| apart(how, file.path) }
        Figures.line("renditions", PICTURES / ours[:seconds], PICTURES / floor[:seconds], "/s")
        Figures.line("memory at most", ours[:peak] / 1_000.0, floor[:peak] / 1_000.0, "MB")
      end
    end

    # In a program of its own, so that its memory is its own; a fork would hold locks of libvips that nobody opens.
    # @return [Hash] seconds:, peak: kB
    def apart(how, path)
      said, = Open3.capture2(RbConfig.ruby, File.join(__dir__, "rendering.rb"), how, path, PICTURES.to_s)
      JSON.parse(said, symbolize_names: true)
    end
  end
end
