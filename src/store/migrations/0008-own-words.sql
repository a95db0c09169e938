-- Words that a publication, or one of its issues, writes as they are, whatever a dictionary says.
create table own_word (
  publication_id text not null references publication (id) on delete cascade,
  -- The issue that they are for alone; nothing where they are for all.
  document_id text not null default '',
  word text not null,
  -- A word of the dictionary whose forms it has.
  example text not null default '',
  primary key (publication_id, document_id, word)
);
