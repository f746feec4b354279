-- Swaps as they were accepted: the sheet, its answers and its work, and each step of the work as it was done or taken back.

create table accepted_swap (
  id uuid primary key,                                  -- made by the client, and the id of the amp's version it made
  amp_id uuid not null references amp (id),
  version int not null,                                 -- of the amp's description, which it made
  body jsonb not null,
  device text not null,
  accepted_at timestamptz not null,
  unique (amp_id, version)
);

create table swap_step (
  id uuid primary key,
  swap_id uuid not null references accepted_swap (id),
  step int not null check (step >= 0),
  done boolean not null,
  device text not null,
  said_at timestamptz not null,
  seq bigint generated always as identity
);
create index swap_step_of on swap_step (swap_id, seq);

create table swap_taken_back (
  id uuid primary key,                                  -- the id of the amp's version it made
  swap_id uuid not null unique references accepted_swap (id),
  version int not null,                                 -- of the amp's description, which it made
  sockets text not null,                                -- which tubes were in them, as somebody looked
  device text not null,
  said_at timestamptz not null
);

create trigger accepted_swap_once before update or delete on accepted_swap for each row execute function written_once();
create trigger accepted_swap_kept before truncate on accepted_swap for each statement execute function written_once();
create trigger swap_taken_back_once before update or delete on swap_taken_back for each row execute function written_once();
create trigger swap_taken_back_kept before truncate on swap_taken_back for each statement execute function written_once();
create trigger swap_step_once before update or delete on swap_step for each row execute function written_once();
create trigger swap_step_kept before truncate on swap_step for each statement execute function written_once();
