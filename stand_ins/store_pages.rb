# frozen_string_literal: true

require "sinatra/base"
require "cgi"
require "digest"
require "fileutils"
require "openssl"
require "securerandom"
require "time"

module StandIns
  # A small store of files that speaks the S3 protocol: one bucket, objects whole or in parts, lists, and requests that
  # are signed (signature version 4). It can be told to be away.
  class StorePages < Sinatra::Base
    set :environment, :production
    set :protection, false
    set :host_authorization, permitted_hosts: []
    set :folder, nil

    KEY = "stand-in"
    SECRET = "stand-in-secret"
    REGION = "local"
    BUCKET = "files"
    STALE = 900 # seconds that a signature holds

    # What a request must be signed with.
    module Signature
      SCOPE = %r{([^/]+)/(\d{8})/([^/]+)/s3/aws4_request}
      HEADER = /\AAWS4-HMAC-SHA256 Credential=#{SCOPE}, ?SignedHeaders=([^,]+), ?Signature=(\h{64})\z/

      module_function

      # @return [Boolean]
      def right?(env)
        found = HEADER.match(env["HTTP_AUTHORIZATION"].to_s) or return false
        key, day, region, names, given = found.captures
        moment = env["HTTP_X_AMZ_DATE"].to_s
        return false unless key == KEY && region == REGION && moment.start_with?(day) && fresh?(moment)

        scope = "#{day}/#{region}/s3/aws4_request"
        text = ["AWS4-HMAC-SHA256", moment, scope, Digest::SHA256.hexdigest(request(env, names.split(";")))].join("\n")
        OpenSSL.fixed_length_secure_compare(OpenSSL::HMAC.hexdigest("SHA256", signing_key(day, region), text), given)
      end

      def fresh?(moment)
        (Time.strptime("#{moment} UTC", "%Y%m%dT%H%M%SZ %Z") - Time.now).abs < STALE
      rescue ArgumentError
        false
      end

      def signing_key(day, region)
        [day, region, "s3", "aws4_request"].reduce("AWS4#{SECRET}") do |key, part|
          OpenSSL::HMAC.digest("SHA256", key, part)
        end
      end

      # The canonical form of a request.
      def request(env, names)
        headers = names.map { |name| "#{name}:#{header(env, name).strip.squeeze(" ")}\n" }.join
        [
          env["REQUEST_METHOD"],
          env["REQUEST_PATH"].split("?").first,
          query(env["QUERY_STRING"]),
          headers,
          names.join(";"),
          env["HTTP_X_AMZ_CONTENT_SHA256"]
        ].join("\n")
      end

      def header(env, name)
        env["HTTP_#{name.upcase.tr("-", "_")}"] || env[name.upcase.tr("-", "_")] || ""
      end

      def query(text)
        text.split("&").map { |pair| pair.include?("=") ? pair : "#{pair}=" }.sort.join("&")
      end
      private_class_method :fresh?, :signing_key, :request, :header, :query
    end

    helpers do
      def objects = File.join(settings.folder, "store")
      def parts(upload) = File.join(settings.folder, "store-parts", upload)

      def place(key)
        refuse(400, "InvalidArgument") if key.split("/").include?("..")
        File.join(objects, key.split("/").map { |part| CGI.escape(part) }.join("/"))
      end

      def refuse(status, code)
        halt status, { "content-type" => "application/xml" }, "<Error><Code>#{code}</Code></Error>"
      end

      def xml(name, inside)
        content_type "application/xml"
        "<?xml version=\"1.0\" encoding=\"UTF-8\"?><#{name}>#{inside}</#{name}>"
      end

      def tag(bytes) = "\"#{Digest::MD5.hexdigest(bytes)}\""

      def given
        bytes = request.body.read
        said = env["HTTP_X_AMZ_CONTENT_SHA256"]
        if said != "UNSIGNED-PAYLOAD" && said != Digest::SHA256.hexdigest(bytes)
          refuse(400, "XAmzContentSHA256Mismatch")
        end
        bytes
      end

      def write(path, bytes)
        FileUtils.mkdir_p(File.dirname(path))
        File.binwrite("#{path}.coming", bytes)
        File.rename("#{path}.coming", path)
        headers "ETag" => tag(bytes)
      end

      def held(key)
        path = place(key)
        File.file?(path) ? path : refuse(404, "NoSuchKey")
      end

      def all(prefix)
        keys = Dir.glob(File.join(objects, "**/*")).select { |path| File.file?(path) }
        keys
          .map { |path| CGI.unescape(path.delete_prefix("#{objects}/")) }
          .select { |key| key.start_with?(prefix) }
          .sort
      end
    end

    before "/store/*" do
      sleep 60 if File.exist?(File.join(settings.folder, "store.silent"))
      refuse(503, "SlowDown") if File.exist?(File.join(settings.folder, "store.away"))
      refuse(403, "SignatureDoesNotMatch") unless Signature.right?(env)
    end

    get "/store/#{BUCKET}" do
      keys = all(params["prefix"].to_s)
      from = params["continuation-token"].to_s
      shown = keys.select { |key| key > from }.first(Integer(params["max-keys"] || 1000))
      more = !shown.empty? && shown.last != keys.last
      lines =
        shown.map do |key|
          bytes = File.binread(place(key))
          "<Contents><Key>#{CGI.escapeHTML(key)}</Key><Size>#{bytes.bytesize}</Size><ETag>#{tag(bytes)}</ETag>" \
            "<LastModified>#{File.mtime(place(key)).utc.iso8601}</LastModified></Contents>"
        end
      after = more ? "<NextContinuationToken>#{CGI.escapeHTML(shown.last)}</NextContinuationToken>" : ""
      xml("ListBucketResult", "<Name>#{BUCKET}</Name><IsTruncated>#{more}</IsTruncated>#{after}#{lines.join}")
    end

    post "/store/#{BUCKET}" do
      gone = given.scan(%r{<Key>(.*?)</Key>}m).flatten.map { |key| CGI.unescapeHTML(key) }
      gone.each { |key| FileUtils.rm_f(place(key)) }
      xml("DeleteResult", gone.map { |key| "<Deleted><Key>#{CGI.escapeHTML(key)}</Key></Deleted>" }.join)
    end

    # HEAD as well, without its body.
    get "/store/#{BUCKET}/*" do |key|
      path = held(key)
      headers "ETag" => tag(File.binread(path))
      send_file path, type: "application/octet-stream", last_modified: File.mtime(path)
    end

    put "/store/#{BUCKET}/*" do |key|
      bytes = given
      if params["uploadId"]
        refuse(404, "NoSuchUpload") unless File.directory?(parts(params["uploadId"]))
        write(File.join(parts(params["uploadId"]), format("%05d", Integer(params["partNumber"]))), bytes)
      else
        write(place(key), bytes)
      end
      status 200
      ""
    end

    post "/store/#{BUCKET}/*" do |key|
      if params.key?("uploads")
        upload = SecureRandom.hex(16)
        FileUtils.mkdir_p(parts(upload))
        return(
          xml(
            "InitiateMultipartUploadResult",
            "<Bucket>#{BUCKET}</Bucket><Key>#{CGI.escapeHTML(key)}</Key><UploadId>#{upload}</UploadId>"
          )
        )
      end
      folder = parts(params["uploadId"].to_s)
      refuse(404, "NoSuchUpload") unless File.directory?(folder)
      bytes = Dir.children(folder).sort.map { |part| File.binread(File.join(folder, part)) }.join
      write(place(key), bytes)
      FileUtils.rm_rf(folder)
      xml("CompleteMultipartUploadResult", "<Bucket>#{BUCKET}</Bucket><ETag>#{tag(bytes)}</ETag>")
    end

    delete "/store/#{BUCKET}/*" do |key|
      params["uploadId"] ? FileUtils.rm_rf(parts(params["uploadId"])) : FileUtils.rm_f(place(key))
      status 204
      ""
    end
  end
end
