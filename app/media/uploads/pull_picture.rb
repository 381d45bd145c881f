# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Takes a picture out of the web into a client's media, as somebody who may add some.
      module PullPicture
        SECONDS = 4
        MOST_BYTES = 10 * 1024 * 1024

        module_function

        # @param environment [Environment]
        # @param member [Member] in whose name
        # @param address [String, nil]
        # @param name [String]
        # @return [String, nil] its id; nil for one that is none, cannot be fetched, or may not be added
        def call(environment, member, address:, name: nil)
          return if address.nil?

          file = environment.pages.get(address, limit: MOST_BYTES, seconds: SECONDS)
          return if file.status != 200 || file.cut

          called = name || "#{URI.parse(address).host} preview"
          UploadMedia.call(environment, member, io: StringIO.new(file.body), name: called, once: true)[:id]
        rescue Core::Checks::Unreadable, Core::Error, URI::Error
          nil
        end
      end
    end
  end
end
