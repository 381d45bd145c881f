# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Whose answer is still missing on asks, by the verdicts as they stand: whoever has answered, or need not any
      # more, is none of them.
      module WaitingOn
        module_function

        # @param scope [Store::Scope] of one workspace
        # @param ask_ids [Array<String>]
        # @param standing [#call] ids of posts => their standing
        # @return [Hash{String=>Hash{String=>Array<String>}}] ask id => person id => ids of the posts that wait
        def of(scope, ask_ids, standing)
          lines = Store::Signoff::OpenLines.new(scope).of_asks(ask_ids)
          posts = standing.call(lines.map { |line| line[:post_id] })
          lines.each_with_object(Hash.new { |all, ask| all[ask] = {} }) do |line, found|
            people(posts[line[:post_id]], line).each do |person|
              (found[line[:ask_id]][person] ||= []) << line[:post_id]
            end
          end
        end

        # Of a post that was discarded meanwhile nobody waits.
        def people(post, line)
          return [] unless post

          post
            .adaptations
            .flat_map { |one| one.verdict.steps.select { |standing| standing.step.id == line[:step_id] } }
            .select { |standing| asked?(standing) }
            .flat_map(&:waiting_for)
            .uniq
        end

        def asked?(standing) = !standing.open_ask.nil?
        private_class_method :people, :asked?
      end
    end
  end
end
