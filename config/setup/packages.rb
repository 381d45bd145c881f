# frozen_string_literal: true

require "digest"
require_relative "console"

module Setup
  # Debian packages, gems and npm packages, each installed only when missing.
  module Packages
    # What must be there => the Debian package that brings it. The test needs more than the application.
    RUN = {
      "postgresql-15" => -> { !Dir["/usr/lib/postgresql/*/bin/initdb"].empty? },
      "libpq-dev" => -> { File.exist?("/usr/include/postgresql/libpq-fe.h") },
      "libvips42" => -> { !Dir["/usr/lib/*/libvips.so.42*"].empty? },
      "ffmpeg" => -> { File.exist?("/usr/bin/ffprobe") },
      "poppler-utils" => -> { File.exist?("/usr/bin/pdfinfo") },
      "fonts-dejavu-core" => -> { File.exist?("/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf") },
      "fonts-droid-fallback" => -> { File.exist?("/usr/share/fonts/truetype/droid/DroidSansFallbackFull.ttf") },
      "qpdf" => -> { File.exist?("/usr/bin/qpdf") },
      "libyaml-dev" => -> { File.exist?("/usr/include/yaml.h") },
      "libffi-dev" => -> { !Dir["/usr/include/**/ffi.h"].empty? },
      "util-linux" => -> { File.exist?("/usr/bin/setpriv") },
      "build-essential" => -> { File.exist?("/usr/bin/make") && File.exist?("/usr/bin/gcc") }
    }.freeze
    TEST = {
      "chromium-headless-shell" => -> { File.exist?("/usr/bin/chromium-headless-shell") },
      "unicode-data" => -> { File.exist?("/usr/share/unicode/emoji/emoji-test.txt") }
    }.freeze

    # What the interface's own files are made from, beside the API's description, and what is made.
    SHARED = %w[core/posts/formats.rb core/posts/parts.rb core/campaigns/currency.rb web/shared_words.rb].freeze
    GENERATED = %w[ui/src/api/schema.ts ui/src/api/openapi.json ui/src/api/shared.json].freeze

    module_function

    # @param test [Boolean] whether the browser and the published data for the tests are wanted too
    def ensure_all(test:)
      debian(test ? RUN.merge(TEST) : RUN)
      gems
      npm
    end

    def debian(wanted)
      missing = wanted.reject { |_, there| there.call }.keys
      return if missing.empty?

      unless Setup.root?
        raise Stopped,
              "These Debian packages are missing: #{missing.join(" ")}.\n" \
                "Install them with: sudo apt-get install #{missing.join(" ")}"
      end
      log = File.join(VAR, "apt.log")
      env = { "DEBIAN_FRONTEND" => "noninteractive" }
      Setup.run("Reading Debian's package lists", "apt-get", "update", "-qq", log: log, env: env)
      Setup.run(
        "Installing #{missing.join(", ")}",
        "apt-get",
        "install",
        "-y",
        "--no-install-recommends",
        *missing,
        log: log,
        env: env
      )
    end

    def gems
      if fresh?("gems", "Gemfile", "Gemfile.lock") &&
           system("bundle", "check", out: File::NULL, err: File::NULL, chdir: ROOT)
        return
      end

      unless system("bundle", "-v", out: File::NULL)
        raise Stopped, "Bundler is missing. Install it with: gem install bundler"
      end

      Setup.run(
        "Installing gems (three to four minutes the first time)",
        "bundle",
        "install",
        log: File.join(VAR, "bundle.log")
      )
      stamp("gems", "Gemfile", "Gemfile.lock")
    end

    def npm
      if fresh?("npm", "ui/package.json", "ui/package-lock.json") && Dir.exist?(File.join(ROOT, "ui/node_modules"))
        return
      end

      unless system("npm", "-v", out: File::NULL)
        raise Stopped, "Node.js with npm is missing (20 or newer). Install it and start again."
      end

      Setup.run("Installing npm packages", "npm", "ci", log: File.join(VAR, "npm.log"), chdir: File.join(ROOT, "ui"))
      stamp("npm", "ui/package.json", "ui/package-lock.json")
    end

    # Builds the front end unless what it is made of is unchanged since the last build.
    def front_end
      sources =
        Dir.chdir(ROOT) do
          Dir["ui/{src,public,review}/**/*", "ui/*.{ts,html,json}", "web/openapi/**/*.yaml", *SHARED].select do |f|
            File.file?(f) && !GENERATED.include?(f)
          end
        end
      return if fresh?("ui", *sources) && File.exist?(File.join(ROOT, "ui/dist/app/index.html"))

      log = File.join(VAR, "ui.log")
      Setup.run(
        "Making the interface's types from the API description",
        "npm",
        "run",
        "types",
        log: log,
        chdir: File.join(ROOT, "ui")
      )
      Setup.run("Building the interface", "npm", "run", "build", log: log, chdir: File.join(ROOT, "ui"))
      stamp("ui", *sources)
    end

    def fresh?(name, *files)
      path = stamp_path(name)
      File.exist?(path) && File.read(path) == digest(files)
    end

    def stamp(name, *files)
      File.write(stamp_path(name), digest(files))
    end

    def stamp_path(name)
      File.join(VAR, "#{name}.stamp")
    end

    def digest(files)
      sum = Digest::SHA256.new
      files.sort.each do |file|
        path = File.join(ROOT, file)
        sum << file << "\0" << (File.exist?(path) ? Digest::SHA256.file(path).hexdigest : "none")
      end
      sum.hexdigest
    end
  end
end
