-- The factory colour where it was not measured on a region: a bottle, a recipe, a typed colour or another job.
create table factory_paint (
    job_id uuid primary key references job (id),
    source varchar(20) not null,
    name varchar(200) not null,
    l double precision not null,
    a double precision not null,
    b double precision not null
);

-- The photograph whose grey card tells the light where nothing in this one does.
alter table photograph add column light_from uuid;
