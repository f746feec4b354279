-- The bench session: what it was begun with, its events in order, and the sheet as issued. Written once, like the rest.

create table bench_session (
  id uuid primary key,                                  -- made by the client, so that a repeated request stores once
  amp_id uuid not null references amp,
  amp_version int not null,
  purpose text not null,
  plan jsonb not null,                                  -- the description, meter and limits it was begun with
  types jsonb not null,                                 -- designation to type_snapshot hash
  started_at timestamptz not null default now(),
  foreign key (amp_id, amp_version) references amp_version (amp_id, version)
);
create index bench_session_by_amp on bench_session (amp_id, started_at);

create table bench_event (
  id uuid primary key,                                  -- made by the client
  session_id uuid not null references bench_session,
  seq int not null check (seq >= 1),                    -- the order the server took them in
  kind text not null,
  body jsonb not null,
  happened_at bigint not null,                          -- milliseconds since 1970, never later than the receipt
  device text not null,
  recorded_at timestamptz not null default now(),
  unique (session_id, seq)
);

create table issued_sheet (
  session_id uuid primary key references bench_session,
  event_id uuid not null unique references bench_event,
  state text not null,                                  -- NOT_SET, SET or PROVEN
  recheck_on date not null,
  data jsonb not null,
  html text not null,
  pdf bytea not null,
  issued_at timestamptz not null default now()
);

do $$
declare t text;
begin
  foreach t in array array['bench_session', 'bench_event', 'issued_sheet'] loop
    execute format('create trigger %I before update or delete on %I for each row execute function written_once()', t || '_once', t);
    execute format('create trigger %I before truncate on %I for each statement execute function written_once()', t || '_kept', t);
  end loop;
end $$;
