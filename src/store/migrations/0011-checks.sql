-- A delivery is held where it would go out with what nobody could miss, until somebody says that it may. What was found is kept
-- with it.
alter table delivery
  drop constraint delivery_state_check,
  add constraint delivery_state_check check (state in ('waiting', 'working', 'done', 'held', 'failed', 'cancelled')),
  add column report jsonb;

-- The colour profile of a press is a file as a picture is.
alter table record
  add column icc text generated always as (case when kind = 'profile' then body #>> '{icc,blob}' end) stored,
  add foreign key (icc) references blob (sha256) not valid;
