# frozen_string_literal: true

# People's profiles and absences, roles that the agency edits, limits and ends of memberships, invitations, the agency's
# policies and its own record, and what the second factor and the reset of a password need.
Sequel.migration do
  up do
    run <<~SQL
      ALTER TABLE agencies
        ADD COLUMN second_factor_required boolean NOT NULL DEFAULT false,
        ADD COLUMN session_hours int NOT NULL DEFAULT 336 CHECK (session_hours BETWEEN 1 AND 720),
        ADD COLUMN mail_domains text[] NOT NULL DEFAULT '{}',
        ADD COLUMN version int NOT NULL DEFAULT 1;

      ALTER TABLE people
        ADD COLUMN is_owner boolean NOT NULL DEFAULT false,
        ADD COLUMN picture text,
        ADD COLUMN hour12 boolean NOT NULL DEFAULT false,
        ADD COLUMN date_language text NOT NULL DEFAULT 'en-GB' CHECK (date_language ~ '^[a-z]{2,3}(-[A-Z]{2})?$'),
        ADD COLUMN working_days smallint[] NOT NULL DEFAULT '{1,2,3,4,5}' CHECK (working_days <@ '{1,2,3,4,5,6,7}'),
        ADD COLUMN notices jsonb NOT NULL DEFAULT '{}',
        ADD COLUMN quiet_from time,
        ADD COLUMN quiet_to time,
        ADD COLUMN version int NOT NULL DEFAULT 1,
        ADD CONSTRAINT people_quiet_both CHECK ((quiet_from IS NULL) = (quiet_to IS NULL));

      -- An owner owns the installation, and is a member with the owner's role in every workspace.
      UPDATE people SET is_owner = true WHERE id IN (
        SELECT m.person_id FROM memberships m JOIN roles r ON r.id = m.role_id WHERE r.name = 'agency owner' AND m.ended_at IS NULL);

      ALTER TABLE roles
        ADD COLUMN is_preset boolean NOT NULL DEFAULT false,
        ADD COLUMN version int NOT NULL DEFAULT 1,
        ADD COLUMN changed_by uuid REFERENCES people,
        ADD COLUMN changed_at timestamptz;
      UPDATE roles SET is_preset = true;

      -- "govern" was one ability and is now six, with "look as" beside them.
      UPDATE roles SET abilities = array_remove(abilities, 'govern') || ARRAY['govern_people', 'govern_channels', 'govern_route',
        'govern_settings', 'govern_delete', 'govern_export', 'look_as'] WHERE 'govern' = ANY(abilities);
      UPDATE roles SET abilities = abilities || ARRAY['govern_people', 'govern_channels', 'govern_settings', 'govern_export']
        WHERE name = 'account lead' AND is_preset;
      UPDATE roles SET abilities = abilities || ARRAY['see_results']
        WHERE is_preset AND name IN ('reviewer', 'copywriter', 'designer', 'assistant') AND NOT 'see_results' = ANY(abilities);
      ALTER TABLE roles ADD CONSTRAINT roles_known_abilities CHECK (abilities <@ ARRAY['see', 'see_shared', 'see_results', 'write_copy',
        'write_visuals', 'write_timing', 'write_settings', 'create', 'answer_internal', 'answer_client', 'work', 'assign', 'ask', 'release',
        'hold', 'open', 'govern_people', 'govern_channels', 'govern_route', 'govern_settings', 'govern_delete', 'govern_export', 'look_as']);

      ALTER TABLE memberships
        ADD COLUMN limited boolean NOT NULL DEFAULT false,
        ADD COLUMN access_until timestamptz,
        ADD COLUMN ended_by uuid REFERENCES people,
        ADD COLUMN seen_at timestamptz,
        ADD COLUMN notices jsonb NOT NULL DEFAULT '{}', -- what a lead turned down for somebody of the client's side
        ADD COLUMN version int NOT NULL DEFAULT 1;

      -- A limited membership acts only on these channels.
      CREATE TABLE membership_channels (
        workspace_id uuid NOT NULL,
        membership_id uuid NOT NULL,
        channel_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, membership_id, channel_id),
        FOREIGN KEY (workspace_id, membership_id) REFERENCES memberships (workspace_id, id),
        FOREIGN KEY (workspace_id, channel_id) REFERENCES channels (workspace_id, id)
      );

      -- A workspace always has somebody, without an end date, who may govern its people. Checked when the transaction ends.
      CREATE FUNCTION keep_a_lead() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
      DECLARE
        left_without uuid;
      BEGIN
        SELECT w.id INTO left_without FROM workspaces w
        WHERE CASE TG_TABLE_NAME
          WHEN 'memberships' THEN w.id = (to_jsonb(NEW)->>'workspace_id')::uuid
          ELSE w.id IN (SELECT workspace_id FROM memberships WHERE role_id = (to_jsonb(NEW)->>'id')::uuid AND ended_at IS NULL) END
        AND NOT EXISTS (
          SELECT FROM memberships m JOIN roles r ON r.id = m.role_id
          WHERE m.workspace_id = w.id AND m.side = 'agency' AND m.ended_at IS NULL AND m.access_until IS NULL AND NOT m.limited
            AND 'govern_people' = ANY(r.abilities))
        LIMIT 1;
        IF left_without IS NOT NULL THEN
          RAISE EXCEPTION 'workspace % would be left without a lead', left_without USING ERRCODE = 'restrict_violation', CONSTRAINT = 'keep_a_lead';
        END IF;
        RETURN NULL;
      END $$;
      CREATE CONSTRAINT TRIGGER memberships_keep_a_lead AFTER UPDATE OF role_id, ended_at, access_until, limited ON memberships
        DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION keep_a_lead();
      CREATE CONSTRAINT TRIGGER roles_keep_a_lead AFTER UPDATE OF abilities ON roles
        DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION keep_a_lead();

      CREATE TABLE absences (
        id uuid PRIMARY KEY,
        person_id uuid NOT NULL REFERENCES people,
        from_date date NOT NULL,
        until_date date NOT NULL,
        UNIQUE (id, person_id),
        CHECK (until_date >= from_date)
      );
      CREATE INDEX absences_person ON absences (person_id, until_date);
      -- who answers and works in somebody's place while they are away, inside one workspace
      CREATE TABLE stand_ins (
        workspace_id uuid NOT NULL,
        absence_id uuid NOT NULL,
        person_id uuid NOT NULL,
        stand_in_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, absence_id),
        FOREIGN KEY (absence_id, person_id) REFERENCES absences (id, person_id) ON DELETE CASCADE,
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id),
        FOREIGN KEY (workspace_id, stand_in_id) REFERENCES memberships (workspace_id, person_id),
        CHECK (stand_in_id <> person_id)
      );

      -- The link's secret lies only in the mail; the database keeps its digest.
      CREATE TABLE invitations (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        email citext NOT NULL CHECK (email ~ '^[^@[:space:]]+@[^@[:space:]]+$'),
        side text NOT NULL,
        role_id uuid NOT NULL,
        title text NOT NULL DEFAULT '' CHECK (length(title) <= 120),
        limited boolean NOT NULL DEFAULT false,
        access_until timestamptz,
        digest bytea UNIQUE CHECK (length(digest) = 32),
        invited_by uuid NOT NULL,
        invited_at timestamptz NOT NULL,
        expires_at timestamptz NOT NULL,
        accepted_at timestamptz,
        accepted_by uuid REFERENCES people,
        revoked_at timestamptz,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (role_id, side) REFERENCES roles (id, side),
        FOREIGN KEY (workspace_id, invited_by) REFERENCES memberships (workspace_id, person_id),
        CHECK (expires_at > invited_at),
        CHECK ((accepted_at IS NULL) = (accepted_by IS NULL)),
        CHECK (accepted_at IS NULL OR revoked_at IS NULL)
      );
      CREATE UNIQUE INDEX invitations_one_open ON invitations (workspace_id, email) WHERE accepted_at IS NULL AND revoked_at IS NULL;
      CREATE TABLE invitation_channels (
        workspace_id uuid NOT NULL,
        invitation_id uuid NOT NULL,
        channel_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, invitation_id, channel_id),
        FOREIGN KEY (workspace_id, invitation_id) REFERENCES invitations (workspace_id, id),
        FOREIGN KEY (workspace_id, channel_id) REFERENCES channels (workspace_id, id)
      );

      -- What a person is to be told by mail, at once or in the daily digest.
      CREATE TABLE notices (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        person_id uuid NOT NULL,
        kind text NOT NULL CHECK (kind IN ('asked', 'task', 'answered', 'trouble', 'talk')),
        post_id uuid,
        words text NOT NULL CHECK (length(words) <= 1000),
        at timestamptz NOT NULL,
        due_at timestamptz NOT NULL,
        sent_at timestamptz,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id),
        FOREIGN KEY (workspace_id, post_id) REFERENCES posts (workspace_id, id)
      );
      CREATE INDEX notices_unsent ON notices (person_id, due_at) WHERE sent_at IS NULL;

      CREATE INDEX record_newest ON record (workspace_id, order_no DESC);

      -- What happens to the agency itself: roles, policies, clients made and deleted. Inserts only.
      CREATE TABLE agency_record (
        id uuid PRIMARY KEY,
        agency_id uuid NOT NULL REFERENCES agencies,
        at timestamptz NOT NULL,
        person_id uuid,
        process text,
        from_address text,
        act text NOT NULL,
        facts jsonb NOT NULL DEFAULT '{}',
        salt bytea NOT NULL CHECK (length(salt) = 16),
        order_no bigint NOT NULL GENERATED ALWAYS AS IDENTITY,
        CHECK (person_id IS NOT NULL OR process IS NOT NULL)
      );
      CREATE TRIGGER agency_record_append_only BEFORE UPDATE OR DELETE ON agency_record EXECUTE FUNCTION refuse_change();

      CREATE TABLE account_otp_keys (
        id uuid PRIMARY KEY REFERENCES people,
        key text NOT NULL,
        num_failures int NOT NULL DEFAULT 0,
        last_use timestamptz NOT NULL DEFAULT now()
      );
      CREATE TABLE account_recovery_codes (id uuid REFERENCES people, code text, PRIMARY KEY (id, code));
      CREATE TABLE account_password_reset_keys (
        id uuid PRIMARY KEY REFERENCES people,
        key text NOT NULL,
        deadline timestamptz NOT NULL,
        email_last_sent timestamptz NOT NULL DEFAULT now()
      );
      ALTER TABLE account_active_session_keys ADD COLUMN device text NOT NULL DEFAULT '', ADD COLUMN from_address text NOT NULL DEFAULT '';

      GRANT SELECT, INSERT ON membership_channels, absences, stand_ins, invitations, invitation_channels, notices, agency_record,
        account_otp_keys, account_recovery_codes, account_password_reset_keys TO ask_first_web, ask_first_jobs;
      GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO ask_first_web, ask_first_jobs;
      GRANT UPDATE ON invitations, notices, absences TO ask_first_web, ask_first_jobs;
      GRANT DELETE ON membership_channels, absences, stand_ins, invitation_channels TO ask_first_web;
      GRANT UPDATE, DELETE ON account_otp_keys, account_recovery_codes, account_password_reset_keys, roles TO ask_first_web;
      GRANT UPDATE (second_factor_required, session_hours, mail_domains, version, name) ON agencies TO ask_first_web;
      -- an approver who left is replaced in the asks that still wait for them
      GRANT UPDATE (person_id) ON ask_places TO ask_first_web;
      GRANT DELETE ON route_step_people TO ask_first_web;
      GRANT UPDATE (is_default, name) ON routes TO ask_first_web;
    SQL

    from(:agencies)
      .select_map(:id)
      .each do |agency_id|
        {
          "video editor" => %w[see write_visuals work],
          "releaser" => %w[see see_results write_timing release hold]
        }.each do |name, abilities|
          from(:roles).insert_conflict.insert(
            id: AskFirst::Core::Uuid.v7(Time.now),
            agency_id: agency_id,
            name: name,
            side: "agency",
            abilities: Sequel.lit("ARRAY[#{abilities.map { |one| "'#{one}'" }.join(", ")}]"),
            is_preset: true
          )
        end
      end
  end
end
