-- A periodical and its documents: a house, and issues.
create table publication (
  id text primary key check (id ~ '^[A-Za-z0-9_-]{1,40}$'),
  name text not null check (name <> ''),
  kind text not null check (kind in ('magazine', 'newsletter', 'newspaper')),
  frequency text not null,
  position integer not null default 0
);

create table document (
  id text primary key check (id ~ '^[A-Za-z0-9_-]{1,40}$'),
  publication_id text not null references publication (id) on delete restrict,
  kind text not null check (kind in ('house', 'issue')),
  name text not null,
  -- The number of the last change: changes are numbered without gaps.
  seq bigint not null default 0 check (seq >= 0),
  created_at timestamptz not null default now()
);

create index document_by_publication on document (publication_id, kind);

-- The records a document is made of, as they now are.
create table record (
  document_id text not null references document (id) on delete cascade,
  id text not null check (id ~ '^[A-Za-z0-9_-]{1,40}$'),
  kind text not null,
  body jsonb not null check (body ->> 'id' = id and body ->> 'kind' = kind),
  -- The change that last touched it.
  version bigint not null check (version >= 0),
  primary key (document_id, id)
);

-- Every change ever made. Nothing is updated or deleted here.
create table change (
  document_id text not null references document (id) on delete cascade,
  seq bigint not null check (seq > 0),
  -- Chosen by who made it, so that sending a change twice makes one change.
  id text not null,
  author text not null,
  label text not null,
  kind text not null check (kind in ('edit', 'undo', 'redo')),
  -- The change that an undo or redo turns back.
  of bigint check ((kind = 'edit') = (of is null)),
  diff jsonb not null,
  at timestamptz not null default now(),
  primary key (document_id, seq),
  unique (document_id, id),
  foreign key (document_id, of) references change (document_id, seq)
);

-- Files, named by their content, in pieces, so that one dump of the database holds everything.
create table blob (
  sha256 text primary key check (sha256 ~ '^[0-9a-f]{64}$'),
  media text not null,
  bytes bigint not null check (bytes > 0),
  created_at timestamptz not null default now()
);

create table blob_piece (
  sha256 text not null references blob (sha256) on delete cascade,
  position integer not null check (position >= 0),
  content bytea not null,
  primary key (sha256, position)
);

alter table blob_piece alter column content set storage external;

-- What was, or is being, made of an issue to be sent out.
create table delivery (
  id text primary key,
  document_id text not null references document (id) on delete cascade,
  seq bigint not null,
  options jsonb not null,
  state text not null default 'waiting' check (state in ('waiting', 'working', 'done', 'failed', 'cancelled')),
  done integer not null default 0,
  total integer not null default 0,
  message text,
  file_name text not null,
  blob text references blob (sha256),
  created_at timestamptz not null default now(),
  check ((state = 'done') = (blob is not null))
);

create index delivery_by_document on delivery (document_id, created_at desc);
