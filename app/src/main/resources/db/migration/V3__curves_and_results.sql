-- Curves fitted to a builder's own points, and measured power and distortion. Written once, like the rest.

create table own_curves (
  id uuid primary key,                                  -- made by the client, so that a repeated request stores once
  designation text not null,
  body jsonb not null,                                  -- parameters, their accuracy, the points as typed
  created_at timestamptz not null default now(),
  seq bigint generated always as identity
);

create table bench_result (
  id uuid primary key,                                  -- made by the client
  amp_id uuid not null references amp,
  taken_at timestamptz not null,
  recorded_at timestamptz not null default now(),
  body jsonb not null,                                  -- the setting's factors, how distortion was taken, the cells
  supersedes uuid unique references bench_result,       -- the result this one corrects
  seq bigint generated always as identity
);
create index bench_result_by_amp on bench_result (amp_id, taken_at);

do $$
declare t text;
begin
  foreach t in array array['own_curves', 'bench_result'] loop
    execute format('create trigger %I before update or delete on %I for each row execute function written_once()', t || '_once', t);
    execute format('create trigger %I before truncate on %I for each statement execute function written_once()', t || '_kept', t);
  end loop;
end $$;
