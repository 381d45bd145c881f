# frozen_string_literal: true

module AskFirst
  module Core
    module Feeds
      # What a site wants of robots: the rules of its robots.txt for one of them (RFC 9309). A pattern is compared from
      # its first character to its last without ever going back, so that no pattern takes long.
      class Robots
        # path: pattern, as written down by `plain` · allow: whether what fits may be read
        Rule = Struct.new(:path, :allow, keyword_init: true)

        LIMIT = 512 * 1024 # bytes that are looked at (2.5)
        LINE = 4_096 # characters; what is longer is no rule
        RULES = 5_000
        ANYBODY = "*"
        SIGNS = { "*" => "%2A", "$" => "%24" }.freeze # that stand for themselves
        UNRESERVED = /[A-Za-z0-9\-._~]/

        # @param text [String] bytes of a robots.txt
        # @param agent [String] product token, such as "AskFirst"
        # @return [Robots]
        def self.of(text, agent)
          plain = text.byteslice(0, LIMIT).force_encoding(Encoding::UTF_8).scrub("").delete_prefix("\uFEFF")
          new(groups(plain), agent.downcase)
        end

        # Groups of one name count as one (2.2.1).
        # @return [Hash{String=>Array<Rule>}] name in lower case => rules
        def self.groups(text)
          found = Hash.new { |all, name| all[name] = [] }
          names = []
          naming = false # whether the lines just read name who the next rules are for
          text.each_line(chomp: true) do |line|
            next if line.length > LINE

            key, value = line.split("#", 2).first.to_s.split(":", 2).map(&:strip)
            case key&.downcase
            when "user-agent"
              names = [] unless naming
              names << value.to_s[/\A(?:\*|[A-Za-z_-]+)/].to_s.downcase
              names.last.empty? ? names.pop : found[names.last]
              naming = true
            when "allow", "disallow"
              naming = false
              next if value.to_s.empty?

              rule = Rule.new(path: plain(value), allow: key.casecmp?("allow"))
              names.each { |name| found[name] << rule if found[name].size < RULES }
            end
          end
          found
        end

        # One spelling of an octet: plain where it may stand so, else %XX (2.2.2).
        def self.plain(path)
          octets = path.b.gsub(/%\h\h/n) { |code| code[1, 2].hex.chr }
          given = path.b.scan(/%\h\h|./nm)
          given.zip(octets.chars).map { |written, octet| spelled(written, octet) }.join
        end

        def self.spelled(written, octet)
          return octet if UNRESERVED.match?(octet)

          written.length == 3 || octet.ord > 126 || octet.ord < 33 ? format("%%%02X", octet.ord) : octet
        end
        private_class_method :groups, :plain, :spelled

        def initialize(groups, agent)
          @rules = groups.key?(agent) ? groups[agent] : groups[ANYBODY]
        end

        # The longest pattern that fits decides, of two of one length the one that allows (2.2.2).
        # @param address [String]
        # @return [Boolean]
        def allow?(address)
          uri = URI.parse(address)
          path = uri.path.empty? ? "/" : uri.path
          return true if path == "/robots.txt"

          wanted = self.class.send(:plain, [path, uri.query].compact.join("?")).gsub(/[*$]/, SIGNS)
          fits = @rules.select { |rule| fits?(rule.path, wanted) }
          fits.max_by { |rule| [rule.path.length, rule.allow ? 1 : 0] }&.allow != false
        end

        private

        # "*" stands for anything, "$" at the end for the end. Each piece between stars is looked for once, behind the
        # one before: the first place is as good as any later one.
        def fits?(pattern, path)
          ends = pattern.end_with?("$")
          first, *others = (ends ? pattern.chop : pattern).gsub("$", SIGNS).split("*", -1)
          return false unless path.start_with?(first.to_s)

          last = ends && others.any? ? others.pop : nil
          at =
            others.reduce(first.to_s.length) do |from, piece|
              (path.index(piece, from) || (return false)) + piece.length
            end
          return at <= path.length - last.length && path.end_with?(last) if last

          !ends || at == path.length
        end
      end
    end
  end
end
