# frozen_string_literal: true

module Bench
  # What travels, compressed, before a page can be used.
  class Sizes
    DIST = File.join(AskFirst::ROOT, "ui/dist")

    def call
      puts "\nCompressed size of what a page loads first (scripts, styles and page; fonts apart)"
      puts format("%-46s %9.1f kB", "the client's review", total("review", []) / 1_000.0)
      puts format(
             "%-46s %9.1f kB",
             "the application, up to the Desk",
             total("app", %w[DeskPage SignoffStrip NewPost]) / 1_000.0
           )
    end

    private

    # The page's own scripts and styles, and those of the named lazy parts.
    def total(build, parts)
      page = File.read(File.join(DIST, build, "index.html"))
      named = page.scan(%r{assets/[\w.-]+\.(?:js|css)})
      lazy =
        parts.flat_map do |part|
          Dir[File.join(DIST, build, "assets/#{part}-*.{js,css}")].map { |file| "assets/#{File.basename(file)}" }
        end
      shared =
        (named + lazy)
          .grep(/js\z/)
          .flat_map do |file|
            File
              .read(File.join(DIST, build, file))
              .scan(%r{(?<=from")\./[\w.-]+\.js})
              .map { |one| "assets/#{one.delete_prefix("./")}" }
          end
      ["index.html", *(named + lazy + shared).uniq].sum { |file| File.size(File.join(DIST, build, "#{file}.br")) }
    end
  end
end
