-- Output transformers: described in versions, with their readings, and where each is fitted. Written once, like the rest.

create table transformer (
  id uuid primary key,                                  -- made by the client, so that a repeated request stores once
  created_at timestamptz not null default now()
);

create table transformer_version (
  id uuid primary key,                                  -- made by the client
  transformer_id uuid not null references transformer,
  version int not null,
  name text not null,
  description jsonb not null,
  created_at timestamptz not null,
  unique (transformer_id, version)
);

create table transformer_reading (
  id uuid primary key,                                  -- made by the client
  transformer_id uuid not null references transformer,
  reading jsonb not null,                               -- leads, both voltages as typed, the meter
  taken_at timestamptz not null,
  seq bigint generated always as identity
);
create index transformer_reading_by_transformer on transformer_reading (transformer_id, seq);

-- A reading that does not count: it stays, struck through, with the reason.
create table transformer_void (
  id uuid primary key,                                  -- made by the client
  reading_id uuid not null unique references transformer_reading,
  reason text not null,
  voided_at timestamptz not null
);

-- The newest row of a transformer says where it is; amp and channel are null on the shelf.
create table transformer_fitting (
  id uuid primary key,                                  -- made by the client
  transformer_id uuid not null references transformer,
  amp_id uuid references amp,
  channel int,
  fitted_at timestamptz not null,
  seq bigint generated always as identity,
  check ((amp_id is null) = (channel is null))
);
create index transformer_fitting_by_transformer on transformer_fitting (transformer_id, seq);

do $$
declare t text;
begin
  foreach t in array array['transformer', 'transformer_version', 'transformer_reading', 'transformer_void',
      'transformer_fitting'] loop
    execute format('create trigger %I before update or delete on %I for each row execute function written_once()', t || '_once', t);
    execute format('create trigger %I before truncate on %I for each statement execute function written_once()', t || '_kept', t);
  end loop;
end $$;
