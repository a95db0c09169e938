-- What became of a file that was sent to the print shop.
alter table delivery add column sent jsonb;
