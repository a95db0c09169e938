-- News wires that a publication subscribes to.
create table wire (
  id uuid primary key,
  publication_id text not null references publication (id) on delete cascade,
  name text not null,
  address text not null,
  -- When it was last asked what it has, and why it did not say.
  asked_at timestamptz,
  trouble text not null default '',
  unique (publication_id, address)
);

-- What a wire has sent, in its newest version.
create table wire_item (
  wire_id uuid not null references wire (id) on delete cascade,
  uri text not null,
  at timestamptz not null,
  arrived_at timestamptz not null default now(),
  item jsonb not null,
  primary key (wire_id, uri)
);

create index wire_item_newest on wire_item (wire_id, at desc);
