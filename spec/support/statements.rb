# frozen_string_literal: true

# How many reads something takes: a list that asks for each of its rows is found out.
module Statements
  # @return [Integer] SELECTs and prepared statements that the block ran
  def statements
    log = StringIO.new
    logger = Logger.new(log)
    world.environment.db.loggers << logger
    yield
    log.string.scan(/SELECT|EXECUTE/).size
  ensure
    world.environment.db.loggers.delete(logger)
  end

  # What it takes once each connection has its statements prepared, whichever one it gets.
  # @return [Integer] the fewest of several runs
  def settled_statements(&block)
    4.times.map { statements(&block) }.min
  end
end

RSpec.configure { |config| config.include Statements, :database }
