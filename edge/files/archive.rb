# frozen_string_literal: true

require "zip"

module AskFirst
  module Edge
    module Files
      # Packs files into one ZIP archive (an open format), read again by any program.
      module Archive
        module_function

        # @param path [String] where it is written
        # @yieldparam add [Proc] called with a name and either a string or an IO
        def write(path)
          Zip::OutputStream.open(path) do |zip|
            yield(
              lambda do |name, content|
                zip.put_next_entry(name.split("/").map { |part| Core::Exchange::FileName.clean(part) }.join("/"))
                content.respond_to?(:read) ? IO.copy_stream(content, zip) : zip.write(content)
              end
            )
          end
        end
      end
    end
  end
end
