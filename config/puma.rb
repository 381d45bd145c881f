# frozen_string_literal: true

# One process with threads; more processes are more of these behind one address.
threads 2, 8
workers 0
environment "production"
bind "tcp://127.0.0.1:#{ENV.fetch("ASK_FIRST_PORT", "4100")}"
quiet
http_content_length_limit 210 * 1024 * 1024 # more than any file that is taken: refused by its length, before it is read
