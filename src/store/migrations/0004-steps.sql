-- A change is stored as it was merged with what others did. What was sent is known by its digest, so that the same change
-- sent twice is told from another that came under the same id.
alter table change add column sent text;
