# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # How much may be on its way into a client's files at once: for one person, and for everybody of the client. The
      # numbers are common practice, no source: more than any page sends at once, less than fills a disk.
      module UploadBounds
        MB = 1024 * 1024
        FILES = 50
        BYTES = 4_096 * MB
        FILES_OF_CLIENT = 500
        BYTES_OF_CLIENT = 20_480 * MB

        module_function

        # @param mine [Array<Integer>] bytes that each open upload of the person will have
        # @param all [Array<Integer>] likewise, of everybody of the client, the person too
        # @param coming [Integer] bytes of the one that is begun
        # @return [Conflict, nil] why it may not be begun
        def refusal(mine, all, coming)
          return too_many("You have", mine) if mine.size >= FILES || mine.sum + coming > BYTES

          too_many("This client has", all) if all.size >= FILES_OF_CLIENT || all.sum + coming > BYTES_OF_CLIENT
        end

        def too_many(who, open)
          files = open.one? ? "one file" : "#{open.size} files"
          Conflict.new(
            "too_many_uploads",
            "#{who} #{files} of #{(open.sum / MB.to_f).ceil} MB on the way here, and no more are taken beside them.",
            field: "file",
            way_on: "Let them finish or give them up; what nobody goes on with is given up a week after its last piece."
          )
        end
        private_class_method :too_many
      end
    end
  end
end
