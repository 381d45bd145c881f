# frozen_string_literal: true

module AskFirst
  module Store
    module Media
      # Files of a client that are the same, or look nearly the same.
      module Duplicates
        module_function

        # @param digest [String]
        # @return [Hash, nil] the first row of the same file that the reader sees
        def same(scope, digest)
          current = scope.rows(:media).where(replaced_by: nil)
          Posts::Visible.media(scope, current).where(digest: digest).order(:added_at, :id).first
        end

        # @param likeness [Integer] of Core::Media::Likeness
        # @return [String, nil] id of the picture that it is nearest to, of those that the reader sees and that are near
        #   to none themselves
        def near(scope, likeness)
          apart = Sequel.lit("bit_count((likeness # ?)::bit(64))", likeness)
          Posts::Visible
            .media(scope, scope.rows(:media))
            .where(near_to: nil, replaced_by: nil)
            .exclude(likeness: nil)
            .where(apart <= Core::Media::Likeness::NEAR)
            .order(apart, :added_at)
            .get(Sequel[:media][:id])
        end
      end
    end
  end
end
