-- what a step is made for: an effect, or another step that needs it; until now it stood in the ids
alter table plan_step add column made_for_effect varchar(60);
alter table plan_step add column made_for_step varchar(200);

update plan_step set made_for_step = regexp_replace(id, '\+[^+]*$', '')
where id like '%+%' and takes_back is null;

update plan_step set made_for_effect = substring(id, 1, locate(':', id) - 1)
where id like '%:%' and id not like '%+%' and origin <> 'MANUAL' and takes_back is null
  and locate(':', id) between 2 and 61;
