# frozen_string_literal: true

require "prawn"
require "tmpdir"

module Demo
  # Quillmere's media, sorted: folders, words about them, a poster whose words cover much of it, and a picture of crew
  # who agreed for a time.
  class Library
    FOLDERS = { boats: "Boats", piers: "Piers and cafés", crew: "Crew, with consent", print: "For print" }.freeze
    MORE = [
      ["fog-lamp-04.jpg", :boat, 61, { width: 4000, height: 3000 }, :boats, "A ferry under a pale lamp"],
      [
        "night-boat-dawn.jpg",
        :boat,
        62,
        { width: 3000, height: 2000 },
        :boats,
        "A lit boat at a pier under a dark sky"
      ],
      ["pier-lunch.jpg", :pier, 63, { width: 3000, height: 3000 }, :piers, "An empty pier at noon"],
      ["stairs.jpg", :pier, 64, { width: 288, height: 384 }, :piers, ""],
      ["poster-winter.png", :boat, 65, { width: 1080, height: 1350 }, :print, "The winter poster"],
      ["crew-lise.jpg", :boat, 66, { width: 2000, height: 1500 }, :crew, "Lise at the rail of the early boat"]
    ].freeze

    FILM = { width: 1280, height: 720 }.freeze

    # @param world [World]
    # @param clock [Clock]
    def initialize(world, clock)
      @world = world
      @clock = clock
    end

    def furnish
      @clock.at(@clock.now - (3 * 3_600)) do
        @folders = FOLDERS.transform_values { |name| act("SaveFolder", name: name) }
        sort_what_is_there
        MORE.each { |name, scene, seed, size, folder, words| add(name, scene, seed, size, folder, words) }
        add_menu
        add_film
        mark
      end
    end

    private

    def act(name, **input)
      AskFirst::App::Media.const_get(name).call(@world.environment, @world.member(:sunniva, :quillmere), **input)
    end

    def media = @world.db[:media].where(workspace_id: @world.workspaces[:quillmere])
    def say(row, said) = act("UpdateMedium", media_id: row[:id], fields: said, version: row[:version])

    # What posts say of their pictures holds for the pictures too.
    def sort_what_is_there
      said =
        @world.db[:parts]
          .where(workspace_id: @world.workspaces[:quillmere], part: "descriptions", channel_id: nil)
          .select_map(:value)
          .reduce({}) { |all, one| all.merge(one.to_h) }
      media.all.each do |row|
        folder = row[:name].include?("boat") ? :boats : :piers
        say(row, { "folder_id" => @folders[folder], "description" => said.fetch(row[:id], "") })
      end
    end

    def add(name, scene, seed, size, folder, words)
      picture = Pictures.draw(scene, seed, **size)
      id = act("UploadMedia", io: picture, name: name, folder_id: @folders[folder])[:id]
      say(media.where(id: id).first, { "description" => words }) unless words.empty?
    end

    def add_menu
      paper = Prawn::Document.new { 2.times { |page| page.zero? ? text("Autumn menu") : start_new_page } }
      act("UploadMedia", io: StringIO.new(paper.render), name: "menu-autumn.pdf", folder_id: @folders[:print])
    end

    # A film of nine seconds: three pictures one after the other, and a hum.
    def add_film
      Dir.mktmpdir do |folder|
        path = File.join(folder, "film.mp4")
        pictures =
          [[:pier, 71], [:boat, 72], [:boat, 73]].map.with_index do |(scene, seed), n|
            File.join(folder, "#{n}.jpg").tap { |file| File.binwrite(file, Pictures.draw(scene, seed, **FILM).string) }
          end
        seen = pictures.flat_map { |file| ["-loop", "1", "-t", "3", "-i", file] }
        heard = %w[-f lavfi -i sine=frequency=110:duration=9]
        joined = "[0][1][2]concat=n=3,fps=25,format=yuv420p"
        system("ffmpeg", "-v", "error", *seen, *heard, "-filter_complex", joined, "-shortest", path, exception: true)
        id =
          File.open(path, "rb") do |io|
            act("UploadMedia", io: io, name: "early-boat.mp4", folder_id: @folders[:boats])[:id]
          end
        say(media.where(id: id).first, { "description" => "The early boat comes in at pier two" })
      end
    end

    def mark
      poster, crew, lamp =
        %w[poster-winter.png crew-lise.jpg fog-lamp-04.jpg].map { |name| media.where(name: name).first }
      boxes = [[80, 90, 840, 190], [80, 320, 600, 120], [80, 900, 840, 60]]
      say(poster, { "boxes" => boxes, "written" => "Winter timetable, from 15 November" })
      say(crew, { "usable_until" => "2026-10-31", "usable_note" => "Lise, by mail on 2 May" })
      say(lamp, { "labels" => ["Service"] })
    end
  end
end
