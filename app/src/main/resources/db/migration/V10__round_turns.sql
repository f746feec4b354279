-- How the positions of a round were read where one adaptor went from socket to socket: each in a power-on of its own.

create table round_turns (
  round_id uuid primary key references round (id),
  body jsonb not null,                                  -- power-on, time and mains of each position, and the drift
  kept_at timestamptz not null default now()
);

create trigger round_turns_once before update or delete on round_turns for each row execute function written_once();
create trigger round_turns_kept before truncate on round_turns for each statement execute function written_once();
