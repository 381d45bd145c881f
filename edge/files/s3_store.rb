# frozen_string_literal: true

require "timeout"

module AskFirst
  module Edge
    module Files
      # A store elsewhere that speaks the S3 protocol, whoever runs it (Shrine's storage). Everything has one deadline
      # over the whole: who waits for a store that is away is told so.
      class S3Store
        SECONDS = 10 # for whatever it is, and beside it
        PACE = 2 * 1024 * 1024 # bytes a second, at least
        PARTS = 16 * 1024 * 1024 # bytes from which on a file goes in several

        # @param settings [Settings]
        # @return [S3Store, nil] nil where files lie on the disk alone
        def self.at(settings)
          return if settings.store.empty?

          new(settings.store, settings.store_bucket, settings.store_key, settings.store_secret, settings.store_region)
        end

        # @param address [String] such as https://store.example:9000
        # @param region [String] as the store calls it; many take any
        def initialize(address, bucket, key, secret, region)
          require "shrine/storage/s3" # with its client, which processes without a store need not carry
          @storage =
            Shrine::Storage::S3.new(
              bucket: bucket,
              endpoint: address,
              access_key_id: key,
              secret_access_key: secret,
              region: region,
              force_path_style: true, # names of hosts for each bucket are not every store's
              request_checksum_calculation: "when_required",
              response_checksum_validation: "when_required",
              retry_limit: 1,
              http_open_timeout: 3,
              http_read_timeout: SECONDS,
              multipart_threshold: {
                upload: PARTS,
                copy: PARTS
              }
            )
        end

        # @param io [IO] rewindable
        # @raise [Core::Away]
        def put(id, io)
          within(io.size) do
            io.rewind
            @storage.upload(io, id)
          end
        end

        # @param into [IO] that its bytes are written to
        # @raise [Core::Away]
        # @raise [Errno::ENOENT] when it is not there
        def fetch(id, into)
          size = within(0) { @storage.object(id).content_length }
          within(size) { copy(id, into) }
        rescue Aws::S3::Errors::NotFound, Aws::S3::Errors::NoSuchKey, Shrine::FileNotFound
          raise Errno::ENOENT, id
        end

        # @return [Boolean]
        def there?(id) = within(0) { @storage.exists?(id) }

        def delete(id) = within(0) { @storage.delete(id) }

        # Everything below a prefix, however much that is.
        def delete_prefixed(prefix) = told { @storage.delete_prefixed(prefix) }

        private

        def copy(id, into)
          io = @storage.open(id, rewindable: false)
          IO.copy_stream(io, into)
        ensure
          io&.close
        end

        # @param size [Integer] bytes on their way
        def within(size, &)
          told { Timeout.timeout(SECONDS + (size / PACE), Timeout::ExitException, &) }
        end

        def told
          yield
        rescue Aws::S3::Errors::NotFound, Aws::S3::Errors::NoSuchKey
          raise
        rescue Seahorse::Client::NetworkingError,
               Aws::Errors::ServiceError,
               Timeout::Error,
               Timeout::ExitException,
               SystemCallError => e
          raise away(e)
        end

        def away(error)
          why = error.is_a?(Aws::Errors::ServiceError) ? "it answers #{error.code}" : "it does not answer in time"
          Core::Away.new(
            "store_away",
            "The store in which the files lie cannot be used just now: #{why}.",
            way_on: "Try it again in a moment. What was there before is untouched."
          )
        end
      end
    end
  end
end
