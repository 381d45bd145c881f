# frozen_string_literal: true

module AskFirst
  module Web
    module People
      # Members, invitations, and looking as somebody.
      module MembersRoutes
        def self.registered(app)
          app.get("/api/w/:workspace/people") { json act(App::People::PeopleList) }
          app.get("/api/w/:workspace/people/:membership") do
            json act(App::People::MemberSheet, membership_id: params[:membership])
          end
          app.put("/api/w/:workspace/people/:membership") do
            body = body_json
            json(
              version:
                act(
                  App::People::UpdateMember,
                  membership_id: params[:membership],
                  version: seen_version,
                  role_id: body["role_id"],
                  title: body.fetch("title", ""),
                  channel_ids: body["channel_ids"],
                  until_date: body["until"],
                  to: body["to"]
                )
            )
          end
          app.post("/api/w/:workspace/people/:membership/end") do
            act(App::People::EndMember, membership_id: params[:membership], to: body_json["to"])
            done
          end
          app.put("/api/w/:workspace/people/:membership/notices") do
            act(App::People::TurnDownNotices, membership_id: params[:membership], notices: body_json["notices"])
            done
          end
          invitations(app)
          looking(app)
        end

        def self.invitations(app)
          app.post("/api/w/:workspace/invitations") do
            body = body_json
            json(
              {
                results:
                  act(
                    App::People::Invite,
                    addresses: body["addresses"],
                    role_id: body["role_id"],
                    title: body.fetch("title", ""),
                    channel_ids: body["channel_ids"],
                    until_date: body["until"]
                  )
              },
              201
            )
          end
          app.post("/api/w/:workspace/invitations/:invitation/again") do
            act(App::People::InviteAgain, invitation_id: params[:invitation])
            done
          end
          app.post("/api/w/:workspace/invitations/:invitation/revoke") do
            act(App::People::RevokeInvitation, invitation_id: params[:invitation])
            done
          end
          # by the link's secret, signed in or not
          app.post("/api/invitation/look") do
            json App::People::Invitation.look(environment, body_json["token"]).merge(
                   signed_in_as: MembersRoutes.signed_in(env, environment)&.fetch(:email)
                 )
          end
          app.post("/api/invitation/accept") do
            body = body_json
            made =
              App::People::AcceptInvitation.call(
                environment,
                body["token"],
                name: body["name"],
                password: body["password"],
                zone: body["zone"],
                signed_in: MembersRoutes.signed_in(env, environment)&.fetch(:id),
                from: request.ip,
                cost: environment.settings.test? ? { t_cost: 1, m_cost: 5 } : App::People::AddPerson::COST
              )
            json made.slice(:workspace_id, :side)
          end
        end

        def self.looking(app)
          app.post("/api/w/:workspace/look-as") do
            target = act(App::People::LookAs, membership_id: body_json["membership_id"])
            session["look_as"] = { "workspace_id" => params[:workspace], "person_id" => target[:person_id] }
            json target.slice(:name, :side)
          end
          app.get("/api/look-as/asks") { json(asks: App::Signoff::AsksOf.call(environment, looked_at)) }
          app.get("/api/look-as/asks/:ask") { json App::Signoff::Review.call(environment, looked_guest) }
          app.get("/api/look-as/asks/:ask/files/:rendition") do
            file = App::Media::OpenFile::Shown.call(environment, looked_guest, rendition_id: params[:rendition])
            send_file file[:path], type: file[:mime]
          end
          app.delete("/api/look-as") do
            person_id
            session.delete("look_as")
            done
          end
        end

        def self.signed_in(env, environment)
          rodauth = env["rodauth"]
          return unless rodauth&.logged_in? && rodauth.authenticated? && rodauth.currently_active_session?

          Store::People::Accounts.find(environment.db, rodauth.session_value)
        end
      end
    end
  end
end
