-- Devices that stay signed in. No record of work: a device that signs out is removed.

create table device_sign_in (
  series uuid primary key,
  token_hash text not null,
  device text not null,                                 -- as the browser names itself
  signed_in_at timestamptz not null default now(),
  expires_at timestamptz not null
);
