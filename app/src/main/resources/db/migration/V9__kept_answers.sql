-- What a builder answered of everything around an amp's tubes: asked once, the newest of a channel counts.

create table kept_answers (
  id uuid primary key,                                  -- made by the client
  amp_id uuid not null references amp (id),
  channel int not null check (channel >= 1),
  body jsonb not null,
  device text not null,
  kept_at timestamptz not null,
  seq bigint generated always as identity
);
create index kept_answers_of on kept_answers (amp_id, channel, seq desc);

create trigger kept_answers_once before update or delete on kept_answers for each row execute function written_once();
create trigger kept_answers_kept before truncate on kept_answers for each statement execute function written_once();
