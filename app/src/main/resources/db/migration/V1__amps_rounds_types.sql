-- Everything here is written once. A change is a new row; the triggers refuse update, delete and truncate.

create table amp (
  id uuid primary key,
  created_at timestamptz not null default now()
);

-- A description in versions; the highest version is the present one.
create table amp_version (
  id uuid primary key,                                  -- made by the client, so that a repeated request stores once
  amp_id uuid not null references amp,
  version int not null check (version >= 1),
  name text not null,
  description jsonb not null,
  created_at timestamptz not null default now(),
  unique (amp_id, version)
);

-- A builder's own or corrected tube types, in versions.
create table own_type (
  id uuid primary key,
  designation text not null,
  version int not null check (version >= 1),
  body jsonb not null,
  created_at timestamptz not null default now(),
  unique (designation, version)
);

-- Tube types as rounds were judged by them, shipped ones included; named by the hash of their content.
create table type_snapshot (
  hash text primary key,
  designation text not null,
  body jsonb not null,
  created_at timestamptz not null default now()
);

-- Readings taken in one state.
create table round (
  id uuid primary key,
  amp_id uuid not null references amp,
  amp_version int not null,
  taken_at timestamptz not null,
  recorded_at timestamptz not null default now(),
  state jsonb not null,                                 -- meter, reference, limiter, reduced mains, pairing, spread, target
  types jsonb not null,                                 -- designation to type_snapshot hash
  note text not null default '',
  foreign key (amp_id, amp_version) references amp_version (amp_id, version)
);
create index round_by_amp on round (amp_id, taken_at);

-- Raw readings; a correction is a new row that supersedes another, at most one for each.
create table reading (
  id uuid primary key,
  round_id uuid not null references round,
  seq int not null,
  quantity text not null,
  point text not null,
  raw text not null,
  value double precision not null,                      -- SI base unit
  unit text not null,
  last_digit double precision not null,                 -- size of the last digit typed, SI base unit
  taken_at timestamptz not null,
  recorded_at timestamptz not null default now(),
  supersedes uuid unique references reading,
  reason text not null default ''
);
create index reading_by_round on reading (round_id, seq);

-- Target profiles and meters, in versions; the newest row of a kind and name holds.
create table setting (
  id uuid primary key,
  kind text not null,
  name text not null,
  body jsonb not null,
  created_at timestamptz not null default now(),
  seq bigint generated always as identity
);

create function written_once() returns trigger language plpgsql as $$
begin
  raise exception 'rows of % are written once: add a new one that supersedes', tg_table_name using errcode = 'restrict_violation';
end $$;

do $$
declare t text;
begin
  foreach t in array array['amp', 'amp_version', 'own_type', 'type_snapshot', 'round', 'reading', 'setting'] loop
    execute format('create trigger %I before update or delete on %I for each row execute function written_once()', t || '_once', t);
    execute format('create trigger %I before truncate on %I for each statement execute function written_once()', t || '_kept', t);
  end loop;
end $$;
