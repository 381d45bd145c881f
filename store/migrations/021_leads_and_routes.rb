# frozen_string_literal: true

# Account leads may change the sign-off route of clients that they lead, as long as the agency's policy lets them.
# Skipping a step is another thing: it stays with whoever could do both so far. Presets that an owner has changed are
# left as they are.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE agencies ADD COLUMN leads_change_route boolean NOT NULL DEFAULT true;
      GRANT UPDATE (leads_change_route) ON agencies TO ask_first_web;

      ALTER TABLE roles DROP CONSTRAINT roles_known_abilities;
      UPDATE roles SET abilities = array_append(abilities, 'skip_steps') WHERE 'govern_route' = ANY(abilities);
      UPDATE roles SET abilities = array_append(abilities, 'govern_route')
        WHERE is_preset AND name = 'account lead'
          AND abilities @> ARRAY['see', 'see_results', 'write_copy', 'write_visuals', 'write_timing', 'write_settings',
            'create', 'answer_internal', 'work', 'assign', 'ask', 'release', 'hold', 'open', 'govern_people',
            'govern_channels', 'govern_settings', 'govern_export']
          AND NOT abilities && ARRAY['govern_route', 'govern_delete', 'look_as'];
      ALTER TABLE roles ADD CONSTRAINT roles_known_abilities CHECK (abilities <@ ARRAY['see', 'see_shared',
        'see_results', 'write_copy', 'write_visuals', 'write_timing', 'write_settings', 'create', 'answer_internal',
        'answer_client', 'work', 'assign', 'ask', 'release', 'hold', 'open', 'govern_people', 'govern_channels',
        'govern_route', 'skip_steps', 'govern_settings', 'govern_delete', 'govern_export', 'look_as']);
    SQL
