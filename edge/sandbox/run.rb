# frozen_string_literal: true

# The template process of the sandbox: forks a child for each reading that it is told of, ends those that take longer
# than they may, and ends itself when whoever started it is gone.
# usage: ruby run.rb DESCRIPTOR NICE      of the socket that it is told by; of its children (Template starts it)
require_relative "load"

AskFirst::Edge::Sandbox::Forks.new(UNIXSocket.for_fd(Integer(ARGV.fetch(0))), Integer(ARGV.fetch(1))).run
