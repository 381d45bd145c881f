# frozen_string_literal: true

source "https://rubygems.org"

# web
gem "committee", "~> 5.6"
gem "message_bus", "~> 4.5"
gem "puma", "~> 8.0"
gem "rack", "~> 3.2"
gem "sinatra", "~> 4.2"

# sign-in
gem "argon2", "~> 2.3"
gem "roda", "~> 3.100"
gem "rodauth", "~> 2.49"
gem "rotp", "~> 6.3"
gem "rqrcode", "~> 2.2" # rodauth asks for it

# data and later work
gem "json", "< 3"
gem "pg", "~> 1.5"
gem "que", "~> 2.4"
gem "sequel", "~> 5.110"
gem "sequel_pg", "~> 1.20", require: "sequel"
gem "zeitwerk", "~> 2.6.18"

# outside
gem "faraday", "~> 2.15"
gem "feedjira", "~> 4.0", require: false # RSS 2.0, Atom RFC 4287, JSON Feed 1.1
gem "faraday-multipart", "~> 1.1"
gem "faraday-net_http_persistent", "~> 2.3"
gem "lockbox", "~> 2.0"
gem "email_reply_trimmer", "~> 0.2", require: false # what a reply says, without what it quotes
gem "loofah", "~> 2.24", require: false # the words of mails in HTML alone
gem "mail", "~> 2.9"
gem "marcel", "~> 1.0"
gem "nokogiri", "~> 1.18"
gem "oauth2", "~> 2.0"
gem "rubyzip", "~> 2.4", require: "zip"
gem "ruby-vips", "~> 2.3"
gem "shrine", "~> 3.6"
gem "aws-sdk-s3", "~> 1.0", require: false # the protocol of S3-like stores, for Shrine
gem "tus-server", "~> 2.3", require: false # files in pieces that go on where they broke off, tus 1.0
gem "ssrf_filter", "~> 1.6", require: false # addresses that people type are fetched outside private ranges only

# rules
gem "diff-lcs", "~> 1.6", require: false
gem "holidays", "~> 8.8"
gem "caxlsx", "~> 4.4", require: false # sheets as files, ECMA-376
gem "icalendar", "~> 2.13", require: false # calendar feeds, RFC 5545
gem "prawn", "~> 2.5", require: false # papers as PDF
gem "rrule", "~> 0.8", require: false # what comes back by a rule, RFC 5545
gem "json-canonicalization", "~> 1.0"
gem "money", "~> 7.0", require: false # currencies of ISO 4217
gem "tzinfo", "~> 2.0"
gem "tzinfo-data", "~> 1.2025"

# running it
gem "semantic_logger", "~> 4.16"

group :stand_ins do
  gem "midi-smtp-server", "~> 3.3"
end

group :test do
  gem "biz", "~> 1.8"
  gem "capybara", "~> 3.40"
  gem "dhash-vips", "~> 0.2", require: false # what pictures look like, by a library
  gem "cuprite", "~> 0.17"
  gem "parallel_tests", "~> 4.7", require: false
  gem "prop_check", "~> 1.0"
  gem "rack-test", "~> 2.2"
  gem "rspec", "~> 3.13"
  gem "roo", "~> 2.10", require: false # reads the sheets back
  gem "simplecov", "~> 0.22", require: false
  gem "rubocop", "~> 1.92", require: false
  gem "syntax_tree", "~> 6.3", require: false
end
