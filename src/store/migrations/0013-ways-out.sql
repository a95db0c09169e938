-- What a delivery is made as, and what was chosen for that: each way out has choices of its own.
update delivery
   set options = jsonb_build_object(
         'way', options ->> 'purpose',
         'choices',
         case options ->> 'purpose'
           when 'print' then jsonb_build_object(
             'sheets', 'pages', 'crop', coalesce(options -> 'marks', 'true'), 'fold', true, 'strip', false, 'slug', false)
           else jsonb_build_object('sheets', 'pages', 'ppi', 2400)
         end)
       || case when options ? 'noticed' then jsonb_build_object('noticed', options -> 'noticed') else '{}' end
 where options ? 'purpose';
