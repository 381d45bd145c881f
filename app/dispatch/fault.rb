# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Something unexpected on our own side stood in the way of a showing before it was sent: a file that is gone, a
      # secret that does not open, a full disk. It is told at once, and tried again with growing waits as long as it
      # is not too late.
      module Fault
        SENTENCES = {
          Errno::ENOENT => "a file that belongs to it is not there",
          Errno::ENOSPC => "the disk is full",
          Errno::EACCES => "a file cannot be read",
          KeyError => "something that belongs to it is missing"
        }.freeze

        module_function

        # @param error [Exception]
        # @return [String] in words, without what only a log should hold
        def sentence(error)
          return error.message if error.is_a?(Core::Error)

          known = SENTENCES.find { |kind, _| error.is_a?(kind) }
          if known
            "#{known.last.sub(/\A./, &:upcase)}."
          else
            "Something here went wrong (#{error.class.name.split("::").last})."
          end
        end
      end
    end
  end
end
