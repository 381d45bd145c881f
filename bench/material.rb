# frozen_string_literal: true

require "open3"
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
      bytes = noise.bandjoin([noise.rot180, noise]).copy(interpretation: :srgb).jpegsave_buffer(Q: 85)
      rules = AskFirst::Core::Channels::CardReading.media({ "ratio" => [[4, 5], [1, 1]], "max_side" => 1_080 })
      spec = AskFirst::Core::Media::Framing.for(*SIZE, rules)
      puts "\n#{PICTURES} pictures of #{SIZE.join(" x ")} made ready for a network"
      kinds = AskFirst::Edge::Files::Kinds.new(AskFirst::Edge::Files::Pictures.new)
      ours = apart { PICTURES.times { kinds.render(StringIO.new(bytes), spec) } }
      floor = apart { PICTURES.times { alone(bytes, spec) } }
      Figures.line("renditions", PICTURES / ours[:seconds], PICTURES / floor[:seconds], "/s")
      Figures.line("memory at most", ours[:peak] / 1_000.0, floor[:peak] / 1_000.0, "MB")
    end

    def alone(bytes, spec)
      image = Vips::Image.new_from_buffer(bytes, "").autorot.crop(*spec["crop"])
      image.thumbnail_image(spec["size"][0], height: spec["size"][1], size: :force).jpegsave_buffer(Q: 88, strip: true)
    end

    # In a process of its own, so that its memory is its own.
    # @return [Hash] seconds:, peak: kB
    def apart(&work)
      read, write = IO.pipe
      pid =
        fork do
          read.close
          took = Figures.ms(&work) / 1_000
          peak = File.read("/proc/self/status")[/VmHWM:\s+(\d+)/, 1].to_i
          write.write(JSON.generate(seconds: took, peak: peak))
          write.close
          exit!(0)
        end
      write.close
      said = read.read
      Process.wait(pid)
      JSON.parse(said, symbolize_names: true)
    end
  end
end
