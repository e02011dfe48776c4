-- which recipe a step is mixed by; one recipe can serve many cars
create table step_mix (
    job_id uuid not null references job (id),
    step_id varchar(200) not null,
    recipe_id uuid not null references recipe (id),
    primary key (job_id, step_id)
);

insert into step_mix (job_id, step_id, recipe_id)
select r.job_id, r.step_id, r.id from recipe r
where r.job_id is not null and r.step_id is not null and not r.gone
  and not exists (
    select 1 from recipe o
    where o.job_id = r.job_id and o.step_id = r.step_id and not o.gone
      and (o.made_on > r.made_on or (o.made_on = r.made_on and o.id > r.id)));

-- what a card changed, so that it can be taken back
create table card_strength (
    card_id uuid not null references test_card (id),
    bottle_id uuid not null references bottle (id),
    strength_before double precision not null,
    strength_after double precision not null,
    primary key (card_id, bottle_id)
);
