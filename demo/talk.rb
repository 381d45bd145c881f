# frozen_string_literal: true

module Demo
  # What is talked about beside the fog post: pinned to words, to a spot of its picture, and other words suggested.
  class Talk
    # @param world [World]
    # @param clock [Clock]
    def initialize(world, clock)
      @world = world
      @clock = clock
      @post = world.db[:posts].where(Sequel.like(:subject, "Fog days%")).get(:id)
    end

    def tell
      ticker = adaptation("Ticker")
      first =
        say(
          :odile,
          26,
          "Is that the rule on Sundays too? The deck log says half visibility.",
          words(ticker, "the far pier is in sight")
        )
      say(:maro, 25, "The same on Sundays. I have the page of the log here.", nil, thread_id: first)
      answer_by_mail("Then leave the far pier in.\n\n-- \nOdile Marchetti\nQuillmere Ferries")
      spot = { "kind" => "spot", "adaptation_id" => adaptation("Vitrine"), "media_id" => media }
      say(
        :per,
        24,
        "The funnel is last year’s red.",
        spot.merge("x" => 480, "y" => 400, "width" => 190, "height" => 130)
      )
      say(:per, 23, "", words(ticker, "with your ticket"), replacement: "with any ferry ticket")
      say(:wren, 22, "Ask the harbour office before Friday; they answer slowly.", nil, room: "house")
    end

    private

    # Odile is mailed what Maro said, and answers that mail.
    def answer_by_mail(words)
      mail = nil
      environment = @world.environment.dup
      # as the dispatcher's processes do
      environment.db = AskFirst::Store::Database.connect(environment.settings.jobs_url, pool: 2)
      send = @world.environment.mailer
      environment.mailer = Class.new { define_method(:deliver) { |**sent| send.deliver(**(mail = sent)) } }.new
      process = AskFirst::App::Member.process(@world.workspaces[:quillmere], "dispatcher")
      @clock.at(@clock.now - (24.5 * 3_600)) do
        AskFirst::App::Talk::MailTalk.call(environment, process, person_id: @world.people[:odile])
      end
      return unless mail&.fetch(:reply_to)

      answer = Mail.new(from: mail[:to], to: mail[:reply_to], subject: "Re: #{mail[:subject]}", charset: "UTF-8")
      answer.body = "#{words}\n\n#{mail[:text].lines.map { |line| "> #{line}" }.join}"
      incoming = environment.messages.of(answer.to_s)
      @clock.at(@clock.now - (24 * 3_600)) { AskFirst::App::Talk::TakeReply.call(environment, incoming) }
    end

    def say(who, hours, words, pin, room: "client", **more)
      said = { post_id: @post, room: room, words: words, pin: pin, **more }
      @clock.at(@clock.now - (hours * 3_600)) do
        AskFirst::App::Talk::Say.call(@world.environment, @world.member(who, :quillmere), **said)
      end
    end

    def words(adaptation, exact)
      { "kind" => "words", "adaptation_id" => adaptation, "exact" => exact }
    end

    def adaptation(network)
      @world.db[:adaptations].where(
        post_id: @post,
        channel_id: @world.channels[:quillmere].fetch(network.downcase.to_sym)
      ).get(:id)
    end

    def media
      @world.db[:parts].where(post_id: @post, channel_id: nil, part: "media").get(:value).first
    end
  end
end
