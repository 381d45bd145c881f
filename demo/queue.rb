# frozen_string_literal: true

module Demo
  # Collects what would run later; the seeder runs it at its time.
  class Queue
    attr_reader :mails, :receipts

    def initialize
      @mails = []
      @receipts = []
    end

    def verify(*, **)
    end
    def verify_all(*, **)
    end

    def invitation_mail(*, **)
    end
    def notice_mail(*, **)
    end
    def sealed_mail(*, **)
    end
    def reminder_mail(*, **)
    end
    def talk_mail(*, **)
    end
    def not_taken_mail(*, **)
    end
    def pin_mail(*, **)
    end
    def release_cleared(*, **)
    end
    def purge_client(*, **)
    end
    def read_feed(*, **)
    end
    def make_film(*, **)
    end
    def render_ahead(*, **)
    end

    def read_medium(workspace_id, media_id, **)
      (@media ||= []) << [workspace_id, media_id]
    end

    # @return [Array<Array(String, String)>] workspace and medium
    def media = @media || []

    def look_at_links(workspace_id, post_id, **)
      (@links ||= []) << [workspace_id, post_id]
    end

    # @return [Array<Array(String, String)>] workspace and post, each once
    def links = (@links || []).uniq

    def receipt_mail(workspace_id, receipt_id, **)
      @receipts << [workspace_id, receipt_id]
    end

    def ask_mail(workspace_id, ask_id, person_id, **)
      @mails << [workspace_id, ask_id, person_id]
    end
  end
end
