# frozen_string_literal: true

RSpec.describe AskFirst::Web::OpenApi do
  let(:get) { { "responses" => { "200" => { "description" => "It" } } } }

  def complete(paths, schemas = {})
    described_class.complete({ "paths" => paths, "components" => { "schemas" => schemas } })
  end

  it "answers whatever goes wrong with a problem, but where an operation says something else" do
    own = { "get" => get, "head" => { "responses" => { "default" => { "description" => "It is not there" } } } }
    item = complete({ "/a" => own })["paths"]["/a"]
    expect(item["get"]["responses"]).to eq(
      "200" => {
        "description" => "It"
      },
      "default" => {
        "$ref" => "#/components/responses/Problem"
      }
    )
    expect(item["head"]["responses"]["default"]).to eq("description" => "It is not there")
  end

  it "knows the ids that stand in a path, but those that are described" do
    said = { "name" => "new", "in" => "path", "required" => true, "schema" => {}, "description" => "of its own" }
    item = complete({ "/w/{workspace}/{new}" => { "parameters" => [said], "get" => get } })["paths"].values.first
    expect(item["parameters"]).to eq [
         {
           "name" => "workspace",
           "in" => "path",
           "required" => true,
           "schema" => {
             "type" => "string",
             "maxLength" => 80
           }
         },
         said
       ]
    there = complete({ "/w/{secret}" => { "get" => get.merge("parameters" => [said.merge("name" => "secret")]) } })
    expect(there["paths"].values.first).not_to have_key "parameters"
  end

  it "closes every object that names its fields, however deep, and none that takes any" do
    inner = { "type" => %w[object null], "properties" => { "b" => { "type" => "string" } } }
    schemas =
      complete(
        {},
        {
          "Outer" => {
            "type" => "object",
            "properties" => {
              "list" => {
                "type" => "array",
                "items" => inner
              }
            }
          },
          "Any" => {
            "type" => "object",
            "additionalProperties" => {
              "type" => "string"
            }
          }
        }
      )[
        "components"
      ][
        "schemas"
      ]
    expect(schemas["Outer"]["additionalProperties"]).to be false
    expect(schemas["Outer"]["properties"]["list"]["items"]["additionalProperties"]).to be false
    expect(schemas["Any"]["additionalProperties"]).to eq("type" => "string")
  end

  it "says nothing twice, and a file that would is named by what it says" do
    files = Array.new(2) { { "paths" => { "/a" => { "get" => get } } } }
    expect { files.reduce({}) { |all, part| described_class.join(all, part, []) } }.to raise_error(
      ArgumentError,
      %r{paths / /a / get}
    )
  end
end
