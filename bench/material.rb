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
    FILMS = 5
    NOISE = "color=gray:size=1280x720:rate=25:duration=22,noise=alls=90:allf=t"
    # @param world [SpecWorld]
    # @param row [Hash] of a medium that is there so many times more
    def self.multiply(world, row)
      none = AskFirst::Store::Database.jsonb([])
      ids = Array.new(MEDIA) { AskFirst::Core::Uuid.v7(Time.now) }
      ids.each_slice(500) do |some|
        rows =
          some.map { |id| row.merge(id: id, digest: SecureRandom.hex(32), likeness: rand(2**62), added_at: Time.now) }
        world.owner[:media].multi_insert(rows.map { |one| one.merge(boxes: none, guess: none) })
      end
      ids
    end

    def initialize(cluster)
      @world = SpecWorld.new(cluster: cluster)
    end

    def call
      library
      renditions
      film
    end

    private

    def library
      post = @world.draft
      multiply(@world.owner[:media].first, post)
      puts "\nA library of #{@world.owner[:media].where(workspace_id: @world.workspace).count} files"
      member = @world.member(:ines)
      page = Figures.median_ms(100) { JSON.generate(AskFirst::App::Media::Library.call(@world.environment, member)) }
      Figures.line("its first page", page, floor(member, same_rows(member)), "ms")
      rail = Figures.median_ms(100) { JSON.generate(AskFirst::App::Media::Folders.call(@world.environment, member)) }
      Figures.line("what it can be narrowed by, counted", rail, floor(member, same_counts(member)), "ms")
    end

    # The same rows as JSON by PostgreSQL alone, through the same policies.
    def floor(member, sql)
      scope = member.scope(@world.environment.db)
      Figures.median_ms(100) { scope.transaction { @world.environment.db.fetch(sql, w: @world.workspace).get(:json) } }
    end

    def library_of(member) = AskFirst::Store::Media::Library.new(member.scope(@world.environment.db), Date.today)

    def same_counts(member)
      here = "WHERE workspace_id = :w"
      "SELECT json_build_object('counts', (SELECT json_agg(t) FROM (#{library_of(member).send(:counted).sql}) t), " \
        "'folders', (SELECT json_agg(f) FROM media_folders f #{here}), " \
        "'labels', (SELECT json_agg(l) FROM labels l #{here}))::text AS json"
    end

    def same_rows(member)
      library = library_of(member)
      visible = library.send(:visible).where(replaced_by: nil).order(Sequel.desc(:added_at), Sequel.desc(:id)).limit(61)
      rows = visible.select_all(:media).select_append(*AskFirst::Store::Media::Library.const_get(:PLACED))
      "SELECT json_agg(t)::text AS json FROM (#{library.send(:with_uses, rows).sql}) t"
    end

    def multiply(row, post)
      ids = self.class.multiply(@world, row)
      @world.write(post, "media", ids.sample(10, random: Random.new(1)), who: :sunniva)
      @world.owner.run("ANALYZE")
    end

    def renditions
      noise = Vips::Image.gaussnoise(*SIZE, mean: 128, sigma: 40).cast(:uchar)
      picture = noise.bandjoin([noise.rot180, noise]).copy(interpretation: :srgb)
      puts "\n#{PICTURES} pictures of #{SIZE.join(" x ")} made ready for a network"
      Tempfile.create(%w[picture .jpg]) do |file|
        picture.jpegsave(file.path, Q: 85)
        beside(file.path, PICTURES)
      end
    end

    # Noise, which no coder makes smaller than it is told to.
    def film
      Dir.mktmpdir do |folder|
        path = File.join(folder, "film.mp4")
        coded = %w[-c:v mpeg4 -b:v 80M -minrate 80M -maxrate 80M -bufsize 80M]
        system("ffmpeg", "-v", "error", "-f", "lavfi", "-i", NOISE, *coded, "-y", path, exception: true)
        puts "\nA film of #{File.size(path) / 1_000_000} MB made ready for a network"
        beside(path, FILMS)
      end
    end

    def beside(path, times)
      ours, floor = %w[ours alone].map { |how| apart(how, path, times) }
      Figures.line("renditions", times / ours[:seconds], times / floor[:seconds], "/s")
      Figures.line("memory at most", ours[:peak] / 1_000.0, floor[:peak] / 1_000.0, "MB")
    end

    # In a program of its own, so that its memory is its own; a fork would hold locks of libvips that nobody opens.
    # @return [Hash] seconds:, peak: kB
    def apart(how, path, times)
      said, = Open3.capture2(RbConfig.ruby, File.join(__dir__, "rendering.rb"), how, path, times.to_s)
      JSON.parse(said, symbolize_names: true)
    end
  end
end
