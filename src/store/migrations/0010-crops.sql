-- What an automatic crop keeps is the picture's own focus; a frame says no more where its surplus goes.
update record
   set body = body #- '{content,focus}'
 where kind = 'frame' and body #> '{content,focus}' is not null;

-- What was changed before can still be undone.
update change
   set diff = replace(
         regexp_replace(diff::text, '"focus": \{"x": [-+.e0-9]+, "y": [-+.e0-9]+\}(, )?', '', 'g'), ', }', '}')::jsonb
 where diff::text like '%"focus": {"x"%';

-- A picture of a drawing, and its page of PDF, are files as the picture itself is.
alter table record
  add column preview text generated always as (case when kind = 'picture' then body ->> 'preview' end) stored,
  add column drawing text generated always as (case when kind = 'picture' then body ->> 'drawing' end) stored,
  add foreign key (preview) references blob (sha256) not valid,
  add foreign key (drawing) references blob (sha256) not valid;
