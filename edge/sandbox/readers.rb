# frozen_string_literal: true

module AskFirst
  module Edge
    class Sandbox
      # Everything that is read in the sandbox, as one table: what it may use, what its answer must look like, and what
      # is called. A reader is called in the child with the call's input, its bytes and its files, and gives a value
      # that JSON can say and the bytes that go with it.
      module Readers
        # limits: Limits · shape: see Shape · call: input (Hash), bytes (Array<String>), paths (Array<String>) -> the
        # value, or an Answer
        Reader = Struct.new(:limits, :shape, :call, keyword_init: true)
        # What a reader gives where bytes go with its value.
        Answer = Struct.new(:value, :bytes)

        MB = 1024 * 1024
        # The time on the clock is for a machine that is busy with other things, and ends what waits for something; what
        # computes for too long is ended by its processor time.
        # A page, a feed, what a site wants of robots: text that is read while nobody waits long.
        TEXT = Limits.new(cpu: 5, wall: 90, memory: 768 * MB, file: 16 * MB, takes: 5 * MB, answers: 3 * MB).freeze
        # A mail with what is attached to it.
        MAIL = Limits.new(cpu: 8, wall: 120, memory: 1_024 * MB, file: 16 * MB, takes: 11 * MB, answers: 16 * MB).freeze
        # What a file is, and how it looks. Somebody waits for it.
        LOOK = Limits.new(cpu: 20, wall: 180, memory: 2_048 * MB, file: 512 * MB, takes: 205 * MB, answers: 48 * MB)
        LOOK.freeze
        # A file made ready to go out.
        MAKE = Limits.new(cpu: 90, wall: 600, memory: 2_048 * MB, file: 512 * MB, takes: 205 * MB, answers: 128 * MB)
        MAKE.freeze
        # A film coded anew.
        FILM = Limits.new(**MAKE.to_h, cpu: 1_900, wall: 1_000).freeze

        SIZE = Shape.whole(1..1_000_000)
        NOTHING = Shape.fields
        ADDRESS = Shape.text(4_000)
        ITEM =
          Shape.fields(
            id: Shape.text(1_000),
            address: Shape.maybe(ADDRESS),
            title: Shape.text(Feeds::Parser::TITLE),
            words: Shape.text(Feeds::Parser::WORDS),
            picture: Shape.maybe(ADDRESS),
            at: Shape.maybe(Shape.whole(-4_000_000_000..8_000_000_000))
          )
        FEED = Shape.fields(title: Shape.text(120), items: Shape.list(ITEM, Feeds::Parser::MOST))
        PREVIEW =
          Shape.fields(
            title: Shape.text(Pages::Preview::TITLE),
            words: Shape.text(Pages::Preview::WORDS),
            picture: Shape.maybe(ADDRESS)
          )
        LETTER =
          Shape.fields(
            sender: Shape.text(320),
            for_whom: Shape.text(Mail::Incoming::ADDRESSES),
            automatic: Shape.flag,
            failed: Shape.flag,
            subject: Shape.text(Mail::Incoming::SUBJECT),
            text: Shape.text(Mail::Incoming::TEXT),
            words: Shape.text(Core::Talk::Reply::LIMIT),
            garbled: Shape.flag,
            files: Shape.list(Shape.text(255), Mail::Incoming::FILES)
          )
        FILE =
          Shape.fields(
            kind: Shape.one_of(%w[picture video document]),
            mime: Shape.one_of(Files::Kinds::TYPES),
            width: SIZE,
            height: SIZE,
            duration_ms: Shape.maybe(Shape.whole(1..10_000_000)),
            frame_rate: Shape.maybe(Shape.number(0..1_000)),
            pages: Shape.maybe(Shape.whole(1..999_999)),
            latitude: Shape.maybe(Shape.number(-90..90)),
            longitude: Shape.maybe(Shape.number(-180..180))
          )

        TABLE =
          {
            # { address:, now: seconds } and the body -> { title:, items: } or nil where it is no feed
            feed: {
              limits: TEXT,
              shape: Shape.maybe(FEED),
              call: ->(input, bytes, _) do
                Feeds::Parser.of(bytes[0], input["address"], Time.at(input["now"]).utc)&.plain
              end
            },
            # { address: } and a page -> the feed's address that it names, or nil
            named_feed: {
              limits: TEXT,
              shape: Shape.maybe(ADDRESS),
              call: ->(input, bytes, _) { Feeds::Named.of(bytes[0], input["address"]) }
            },
            # { agent:, address: } and a robots.txt -> whether the address may be read
            robots: {
              limits: TEXT,
              shape: Shape.flag,
              call: ->(input, bytes, _) { Core::Feeds::Robots.of(bytes[0], input["agent"]).allow?(input["address"]) }
            },
            # { address: } and a page -> what it says of itself
            page: {
              limits: TEXT,
              shape: PREVIEW,
              call: ->(input, bytes, _) { Pages::Preview.of(bytes[0], input["address"]) }
            },
            # { cut:, checker: } and a mail -> what is said in it, with the bytes of its files
            mail: {
              limits: MAIL,
              shape: LETTER,
              call: ->(input, bytes, _) { Mail::Incoming.new(bytes[0], **input.transform_keys(&:to_sym)).plain }
            },
            # the file -> its true type, whatever it is
            type: {
              limits: LOOK,
              shape: Shape.text(200),
              call: ->(_, _, paths) { Readers.file(paths) { |io| Files::Kinds.type(io) } }
            },
            # the file -> its kind, type and size
            inspect: {
              limits: LOOK,
              shape: FILE,
              call: ->(_, _, paths) { Readers.file(paths) { |io| Readers.kinds.inspect(io) } }
            },
            # { kind:, at: } and the file -> a JPEG of it
            preview: {
              limits: LOOK,
              shape: NOTHING,
              call: ->(input, _, paths) do
                Readers.picture(paths) { |io| Readers.kinds.preview(io, input["kind"], at: input["at"]).read }
              end
            },
            # { side: } and a picture -> a small JPEG of it
            small: {
              limits: LOOK,
              shape: NOTHING,
              call: ->(input, _, paths) do
                Readers.picture(paths) { |io| Files::Pictures.new.preview(io, side: input["side"]).read }
              end
            },
            # { side: } and a picture -> a square JPEG of it
            square: {
              limits: LOOK,
              shape: NOTHING,
              call: ->(input, _, paths) do
                Readers.picture(paths) { |io| Files::Pictures.new.square(io, input["side"]).read }
              end
            },
            # a picture -> the grey values of its likeness
            greys: {
              limits: LOOK,
              shape: Shape.list(Shape.whole(0..255), Core::Media::Likeness::ACROSS * Core::Media::Likeness::DOWN),
              call: ->(_, _, paths) { Readers.file(paths) { |io| Readers.kinds.greys(io) } }
            },
            # a picture for the screen -> how sharp its squares are, row by row
            edges: {
              limits: LOOK,
              shape:
                Shape.list(
                  Shape.list(Shape.whole(0..100), Core::Media::TextRegions::SIDE),
                  Core::Media::TextRegions::SIDE
                ),
              call: ->(_, _, paths) { Readers.file(paths) { |io| Readers.kinds.edges(io) } }
            },
            # { edit:, mime: }, a picture and, where words are written in it, a font's file -> the picture that is made
            edit: {
              limits: LOOK,
              shape: NOTHING,
              call: ->(input, _, paths) do
                Readers.picture(paths) { |io| Readers.kinds.edit(io, input["edit"], input["mime"], font: paths[1]) }
              end
            },
            # { spec: }, the file, and the one that it is written to
            render: {
              limits: MAKE,
              shape: NOTHING,
              call: ->(input, _, paths) do
                Readers.file(paths) { |io| Readers.kinds.render(io, input["spec"], paths[1]) }
              end
            },
            # { edit:, mime: }, a film, and the file that it is written to
            edit_film: {
              limits: FILM,
              shape: NOTHING,
              call: ->(input, _, paths) do
                Readers.file(paths) { |io| Readers.kinds.edit_film(io, input["edit"], input["mime"], paths[1]) }
              end
            }
          }.transform_values { |row| Reader.new(**row) }.freeze

        module_function

        # @raise [KeyError] for a reader that there is not
        def fetch(name) = TABLE.fetch(name.to_sym)

        def kinds = Files::Kinds.new

        def file(paths, &) = ::File.open(paths[0], "rb", &)

        # @return [Answer] with the bytes of the picture that the block gives
        def picture(paths, &) = Answer.new({}, [file(paths, &)])
      end
    end
  end
end
