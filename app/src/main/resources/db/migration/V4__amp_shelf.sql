-- An amp is put away and brought back; the newest row of an amp says which.

create table amp_shelf (
  id uuid primary key,                                  -- made by the client, so that a repeated request stores once
  amp_id uuid not null references amp,
  away boolean not null,
  said_at timestamptz not null default now(),
  seq bigint generated always as identity
);
create index amp_shelf_by_amp on amp_shelf (amp_id, seq);

create trigger amp_shelf_once before update or delete on amp_shelf for each row execute function written_once();
create trigger amp_shelf_kept before truncate on amp_shelf for each statement execute function written_once();

-- Sessions that were closed without a sheet are looked for by their last entry.
create index bench_event_closed on bench_event (session_id) where kind = 'ClosedUnsigned';
