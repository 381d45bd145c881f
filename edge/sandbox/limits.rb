# frozen_string_literal: true

module AskFirst
  module Edge
    class Sandbox
      # What one reading may use at the most.
      #
      # cpu: seconds of processor time of each process · wall: seconds on the clock over the whole, with the programs
      # that are started · memory: bytes of address space of each process · file: bytes of a file that is written ·
      # takes: bytes that come in with the call · answers: bytes that come back
      Limits =
        Struct.new(:cpu, :wall, :memory, :file, :takes, :answers, keyword_init: true) do
          # Called in the child before it reads anything: the system holds it, and whatever it starts, to them.
          def apply
            Process.setrlimit(:CPU, cpu, cpu + 1)
            Process.setrlimit(:AS, memory)
            Process.setrlimit(:FSIZE, file)
            Process.setrlimit(:NOFILE, Limits::OPEN_FILES)
            Process.setrlimit(:CORE, 0)
          end
        end
      Limits::OPEN_FILES = 256
    end
  end
end
