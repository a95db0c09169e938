-- What a record refers to, filled from what the core says of it (`src/store/references.ts`) in the transaction that puts the
-- record: nothing that is stored can come to point at nothing, whoever forgets to ask.
alter table record add unique (document_id, id, kind);

create table reference (
  document_id text not null,
  record_id text not null,
  to_id text not null,
  to_kind text not null,
  primary key (document_id, record_id, to_id),
  foreign key (document_id, record_id) references record (document_id, id) on delete cascade,
  -- Looked at when the transaction ends: a change may bring both ends, in any order.
  foreign key (document_id, to_id, to_kind) references record (document_id, id, kind) deferrable initially deferred
);

create index reference_to on reference (document_id, to_id);

-- A picture's file. What was stored before this was looked at is left as it is.
alter table record
  add column blob text generated always as (case when kind = 'picture' then body ->> 'blob' end) stored,
  add foreign key (blob) references blob (sha256) not valid;

-- Documents whose references were written down; those of before are read once, when the database is brought up to date.
alter table document add column referred boolean not null default false;
