-- A gradient runs by way of any number of colours, where it had one at most. What was done is kept as it would be done now.
update record
set body = regexp_replace(body::text, '"through": (\{[^{}]*\})', '"through": [\1]', 'g')::jsonb
where body::text like '%"through": {%';

update change
set diff = regexp_replace(diff::text, '"through": (\{[^{}]*\})', '"through": [\1]', 'g')::jsonb
where diff::text like '%"through": {%';
