-- What is taken off the shelf is kept, and can be put back.
alter table publication add column removed_at timestamptz;
alter table document add column removed_at timestamptz;
