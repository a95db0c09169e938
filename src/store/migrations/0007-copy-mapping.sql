-- What the names of styles in the copy that a publication is sent become, as its editors have last said.
create table copy_mapping (
  publication_id text not null references publication (id) on delete cascade,
  name text not null,
  target text not null,
  primary key (publication_id, name)
);
