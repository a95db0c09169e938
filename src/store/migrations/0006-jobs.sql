-- Work that takes a while is done by jobs in a queue (pg-boss keeps them in a schema of its own), by whichever server is free.
-- While a server does a job it says so here; one that has not been heard of goes to another server.
create table job_beat (
  job uuid primary key,
  at timestamptz not null default now()
);

-- Files that have come in, until a job has read them.
create table upload (
  id uuid primary key,
  name text not null,
  content bytea not null,
  created_at timestamptz not null default now()
);

alter table upload alter column content set storage external;

-- Pictures of pages, each as it was at a change.
create table page_picture (
  document_id text not null references document (id) on delete cascade,
  page integer not null,
  width integer not null,
  seq bigint not null,
  png bytea not null,
  primary key (document_id, page, width)
);

alter table delivery add column job uuid;
