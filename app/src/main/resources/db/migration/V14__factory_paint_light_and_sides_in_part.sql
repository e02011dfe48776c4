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

-- Level and upright things that stand in for corners, and whether the side is located by what is marked.
alter table photograph add column known_lines varchar(4000);
alter table photograph add column located boolean default false not null;
update photograph set located = true where corners is not null or shell_marks is not null;
