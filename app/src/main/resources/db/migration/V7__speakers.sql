-- Speakers whose impedance was measured. The newest row of a name is the one that is meant; written once, like the rest.

create table speaker_curve (
  id uuid primary key,                                  -- made by the client, so that a repeated request stores once
  name text not null,
  body jsonb not null,                                  -- the marking, and the curve's text as it was given
  created_at timestamptz not null,
  seq bigint generated always as identity
);
create index speaker_curve_by_name on speaker_curve (name, seq);

create trigger speaker_curve_once before update or delete on speaker_curve for each row execute function written_once();
create trigger speaker_curve_kept before truncate on speaker_curve for each statement execute function written_once();
