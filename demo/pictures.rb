# frozen_string_literal: true

require "stringio"
require "vips"

module Demo
  # Simple drawn pictures: skies, water, hills, boats, a dome. The same seed gives the same picture.
  module Pictures
    SKIES = [
      [[31, 58, 84], [222, 190, 140]],
      [[18, 24, 52], [66, 74, 120]],
      [[120, 160, 176], [236, 224, 200]],
      [[52, 44, 72], [214, 132, 96]]
    ].freeze

    module_function

    # @param scene [Symbol] :boat, :dome, :stars or :pier
    # @return [StringIO] JPEG
    def draw(scene, seed, width: 1600, height: 1000)
      random = Random.new(seed)
      image = sky(width, height, *SKIES[seed % SKIES.size])
      drawn =
        image
          .cast(:uchar)
          .copy(interpretation: :srgb)
          .mutate { |canvas| public_send(scene, canvas, width, height, random) }
      StringIO.new(drawn.jpegsave_buffer(Q: 90))
    end

    def sky(width, height, top, bottom)
      slope = Vips::Image.xyz(width, height)[1].cast(:float) / height
      bands = top.zip(bottom).map { |from, to| (slope * (to - from)) + from }
      bands[0].bandjoin(bands[1..])
    end

    def boat(canvas, width, height, random)
      canvas.draw_circle!([228, 214, 168], (width * 0.78).round, (height * 0.22).round, height / 12, fill: true)
      canvas.draw_rect!([28, 58, 78], 0, (height * 0.68).round, width, (height * 0.32).round, fill: true)
      x = (width * (0.3 + (random.rand * 0.15))).round
      y = (height * 0.66).round
      canvas.draw_rect!([240, 238, 226], x, y, width / 4, height / 12, fill: true)
      canvas.draw_rect!([198, 84, 48], x + (width / 20), y - (height / 14), width / 8, height / 14, fill: true)
      canvas.draw_rect!([240, 238, 226], x + (width / 11), y - (height / 7), width / 60, height / 14, fill: true)
      waves(canvas, width, height, random)
    end

    def waves(canvas, width, height, random)
      24.times do
        canvas.draw_rect!(
          [66, 100, 118],
          random.rand(width - 160),
          (height * (0.76 + (random.rand * 0.22))).round,
          60 + random.rand(100),
          4,
          fill: true
        )
      end
    end

    def stars(canvas, width, height, random)
      160.times do
        canvas.draw_circle!(
          [236, 232, 214],
          random.rand(width),
          random.rand((height * 0.8).round),
          1 + random.rand(3),
          fill: true
        )
      end
      canvas.draw_rect!([16, 20, 28], 0, (height * 0.86).round, width, height, fill: true)
    end

    def dome(canvas, width, height, random)
      stars(canvas, width, height, random)
      canvas.draw_circle!([206, 208, 202], width / 2, (height * 0.78).round, height / 6, fill: true)
      canvas.draw_rect!([16, 20, 28], (width / 2) - 14, (height * 0.61).round, 28, height / 6, fill: true)
      canvas.draw_rect!(
        [84, 88, 92],
        (width / 2) - (height / 6),
        (height * 0.78).round,
        height / 3,
        (height * 0.22).round,
        fill: true
      )
    end

    def pier(canvas, width, height, random)
      canvas.draw_rect!([40, 74, 88], 0, (height * 0.62).round, width, height, fill: true)
      canvas.draw_rect!([92, 66, 48], 0, (height * 0.6).round, (width * 0.7).round, height / 30, fill: true)
      9.times do |post|
        canvas.draw_rect!(
          [70, 50, 38],
          (post * width * 0.08).round,
          (height * 0.6).round,
          width / 70,
          height / 4,
          fill: true
        )
      end
      waves(canvas, width, height, random)
    end
  end
end
