alter table plan_step add column takes_back varchar(200);
alter table plan_step add column back_share double precision;

-- how the workshop does things, and where a job does them otherwise
create table house_school (
    question varchar(40) primary key,
    answer varchar(40) not null
);

create table job_school (
    job_id uuid not null references job (id),
    question varchar(40) not null,
    answer varchar(40) not null,
    primary key (job_id, question)
);

-- figures of the tables that the workshop sees differently
create table prior_overrule (
    prior_table varchar(20) not null,
    prior_key varchar(60) not null,
    prior_column varchar(40) not null,
    own_value varchar(200) not null,
    primary key (prior_table, prior_key, prior_column)
);

-- when a coat was seen to be touch dry at this bench
create table drying_seen (
    job_id uuid not null references job (id),
    step_id varchar(200) not null,
    material varchar(40) not null,
    predicted_min double precision not null,
    seen_min double precision not null,
    seen_at timestamp(9) with time zone not null,
    primary key (job_id, step_id)
);
alter table plan_step alter column technique varchar(60);
alter table log_entry alter column technique varchar(60);
