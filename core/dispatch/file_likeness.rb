# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # Whether a file that a network has saved anew still is what was approved, as far as it can be told: a picture by
      # its shape and by how light its spots are, a film by its shape and length. Networks make files smaller and save
      # them with fewer bytes; that is no difference. The bounds are common practice, no source.
      module FileLikeness
        SHAPE = 0.02 # share by which the sides' ratio may be another one: a pixel lost in making it smaller
        LENGTH = 1_000 # ms
        SPOTS = 16 # of 255, on the average over the spots

        module_function

        # @param sent [Hash] :kind, :width, :height, :duration_ms, :bytes and :greys (of a picture), as far as known
        # @param there [Hash] the same of what the network shows
        # @return [String, nil] how it differs, as a sentence
        def difference(sent, there)
          return "A #{there[:kind]} is there where a #{sent[:kind]} was approved." if sent[:kind] != there[:kind]

          case sent[:kind]
          when "picture"
            shape(sent, there) || spots(sent, there)
          when "video"
            shape(sent, there) || length(sent, there)
          else
            "The document there has #{there[:bytes]} bytes where what was approved has #{sent[:bytes]}."
          end
        end

        def shape(sent, there)
          ratio = (there[:width].to_f / there[:height]) / (sent[:width].to_f / sent[:height])
          return if (ratio - 1).abs <= SHAPE

          sizes = [there, sent].map { |one| "#{one[:width]} × #{one[:height]}" }
          "It has another shape there: #{sizes.first} pixels where #{sizes.last} were approved."
        end

        def spots(sent, there)
          apart = sent[:greys].zip(there[:greys]).sum { |one, other| (one - other).abs }
          "Another picture is there than the one that was approved." if apart > SPOTS * sent[:greys].size
        end

        def length(sent, there)
          return if (sent[:duration_ms] - there[:duration_ms]).abs <= LENGTH

          seconds = [there, sent].map { |one| (one[:duration_ms] / 1_000.0).round(1) }
          "It is #{seconds.first} s long there where #{seconds.last} s were approved."
        end
        private_class_method :shape, :spots, :length
      end
    end
  end
end
