# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Finds a file beside a post.
      class OpenFile < FileAct
        reads :post_file, nil
      end
    end
  end
end
