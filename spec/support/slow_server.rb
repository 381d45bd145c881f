# frozen_string_literal: true

require "socket"

# A page's server that answers as it is told, on a port of its own.
class SlowServer
  attr_reader :asked

  # @yieldparam line [TCPSocket]
  # @yieldparam request [String] the head of what was asked
  def initialize(&says)
    @asked = 0
    @server = TCPServer.new("127.0.0.1", 0)
    @serving = Thread.new { loop { serve(@server.accept, says) } }
  end

  def address = "127.0.0.1:#{@server.addr[1]}"

  def close
    @serving.kill
    @server.close
  end

  private

  def serve(line, says)
    Thread.new do
      @asked += 1
      says.call(line, line.readpartial(4_000))
    rescue SystemCallError, IOError
      nil # whoever asked has hung up
    ensure
      line.close
    end
  end
end
