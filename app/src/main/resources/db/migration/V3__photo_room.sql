alter table photograph add column side varchar(10) default 'LEFT' not null;
alter table photograph add column sister boolean default false not null;
alter table photograph add column focal_mm35 double precision;
alter table photograph add column straight_lines varchar(4000);
alter table photograph add column shell_marks varchar(2000);

create table side_size (
    job_id uuid not null references job (id),
    side varchar(10) not null,
    length_mm double precision not null,
    height_mm double precision not null,
    radius_mm double precision,
    from_degrees double precision,
    to_degrees double precision,
    primary key (job_id, side)
);

alter table region add column side varchar(10) default 'LEFT' not null;
alter table region add column role varchar(10) default 'MEASURE' not null;
alter table region add column outline varchar(4000) default '' not null;

create table class_sample (
    job_id uuid not null references job (id),
    id uuid not null,
    photograph_id uuid not null references photograph (id),
    kind varchar(20) not null,
    x_mm double precision not null,
    y_mm double precision not null,
    width_mm double precision not null,
    height_mm double precision not null,
    place integer not null,
    primary key (job_id, id)
);

alter table effect add column colour varchar(7);
alter table effect add column marks varchar(300) default '' not null;
alter table effect add column region_id uuid;

create table artwork (
    id uuid primary key,
    job_id uuid not null references job (id),
    region_id uuid not null,
    name varchar(120) not null,
    hash char(64) not null,
    choke_mm double precision not null,
    removed boolean not null
);
