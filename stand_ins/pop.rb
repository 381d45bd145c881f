# frozen_string_literal: true

require "socket"

module StandIns
  # The POP3 side of the mailboxes (RFC 1939): hands out what came for one address, also with a word added to it
  # (RFC 5233), and takes away what the client has done with. Any password will do.
  class Pop
    def initialize(mailboxes, port)
      @mailboxes = mailboxes
      @server = TCPServer.new("127.0.0.1", port)
    end

    def start
      Thread.new do
        loop do
          client = @server.accept
          Thread.new { Visit.new(client, @mailboxes).run }
        end
      rescue IOError
        nil # it was stopped
      end
    end

    def stop = @server.close

    # One session: who it is, what is there, and at its orderly end what goes.
    class Visit
      def initialize(socket, mailboxes)
        @socket = socket
        @mailboxes = mailboxes
        @letters = []
        @gone = []
      end

      def run
        say("+OK ready")
        while (line = @socket.gets("\r\n"))
          word, *rest = line.strip.split
          break if word.to_s.upcase == "QUIT"

          answer(word.to_s.upcase, rest)
        end
        @gone.each { |letter| @mailboxes.drop(letter) }
        say("+OK bye")
      rescue SystemCallError, IOError
        nil # it hung up: what was marked stays
      ensure
        @socket.close
      end

      private

      def answer(word, rest)
        case word
        when "USER"
          @user = rest.first.to_s
          say("+OK")
        when "PASS"
          @letters = @mailboxes.for_pop(@user.to_s)
          say("+OK #{@letters.size} mails")
        when "STAT"
          say("+OK #{left.size} #{left.sum { |_, letter| raw(letter).bytesize }}")
        when "LIST", "UIDL"
          list(word, rest.first)
        when "RETR", "TOP", "DELE"
          one(word, *rest)
        when "NOOP", "RSET"
          @gone = [] if word == "RSET"
          say("+OK")
        else
          say("-ERR not known here")
        end
      end

      def left = @letters.each.with_index(1).filter_map { |one, at| [at, one] unless @gone.include?(one) }
      def raw(letter) = letter.raw.unpack1("m0")
      def said(word, letter) = word == "UIDL" ? letter.id : raw(letter).bytesize.to_s

      def list(word, number)
        return lines("+OK", left.map { |at, letter| "#{at} #{said(word, letter)}" }) if number.nil?

        letter = @letters[Integer(number) - 1]
        say(letter ? "+OK #{number} #{said(word, letter)}" : "-ERR no such mail")
      end

      def one(word, number, count = nil)
        letter = @letters[Integer(number) - 1] or return say("-ERR no such mail")
        return (@gone << letter) && say("+OK") if word == "DELE"

        head, body = raw(letter).gsub(/\r?\n/, "\n").split("\n\n", 2)
        shown = count ? body.to_s.lines.first(Integer(count)).join : body.to_s
        lines("+OK", "#{head}\n\n#{shown}".split("\n", -1))
      end

      # A line that is a dot alone ends it, so that other dots at the beginning are doubled.
      def lines(first, all)
        say([first, *all.map { |line| line.start_with?(".") ? ".#{line}" : line }, "."].join("\r\n"))
      end

      def say(line) = @socket.write("#{line}\r\n")
    end
  end
end
