# frozen_string_literal: true

# Exif 2.32 (CIPA DC-008-2019), 4.6.6: GPSLatitude is "dd/1, mm/1, ss/1", or "dd/1, mmmm/100, 0/1" where minutes have
# fractions; GPSLatitudeRef is N or S.
RSpec.describe AskFirst::Core::Media::Place do
  def place(latitude, north_south, longitude, east_west)
    described_class.of(latitude: latitude, north_south: north_south, longitude: longitude, east_west: east_west)
  end

  it "reads degrees, minutes and seconds, and minutes with fractions, each half of the earth" do
    expect(place("59/1 54/1 36/1", "N", "10/1 45/1 0/1", "E")).to eq [59.91, 10.75]
    expect(place("59/1 5460/100 0/1", "S", "10/1 4500/100 0/1", "W")).to eq [-59.91, -10.75]
    # as a reader of such fields tells them
    expect(
      place("59/1 54/1 36/1 (59, 54, 36, Rational, 3 components, 24 bytes)", "N (N, ASCII)", "0/1 0/1 0/1", "E")
    ).to eq([59.91, 0.0])
  end

  it "takes nothing for a place that is none: no half, too few parts, over nothing, beyond the pole" do
    expect(
      [
        place("59/1 54/1 36/1", nil, "10/1 45/1 0/1", "E"),
        place("59/1 54/1", "N", "10/1 45/1 0/1", "E"),
        place("59/0 54/1 36/1", "N", "10/1 45/1 0/1", "E"),
        place("90/1 0/1 1/1", "N", "10/1 45/1 0/1", "E"),
        place("59/1 54/1 36/1", "N", "181/1 0/1 0/1", "E"),
        place(nil, nil, nil, nil)
      ]
    ).to all be_nil
  end
end
