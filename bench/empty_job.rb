# frozen_string_literal: true

require "que"

# The floor: a job that only says when it ran.
class EmptyJob < Que::Job
  def run(due)
    Que.execute("INSERT INTO bench_runs (late) VALUES ($1)", [Time.now.to_f - due])
  end
end
