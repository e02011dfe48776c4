-- when a step was on each of its zones: a coat is as old there as since then
alter table plan_step add column zone_times varchar(4000);
alter table log_entry add column zone_times varchar(4000);

-- the coats that a step of the user's own is meant for, and what must happen to them
alter table plan_step add column works_on varchar(4000);

-- warnings that the user has answered, and how it came out
create table film_answer (
    job_id uuid not null references job (id) on delete cascade,
    step_id varchar(200) not null,
    rule varchar(20) not null,
    coat varchar(200) not null,
    answered_at timestamp(9) with time zone not null,
    primary key (job_id, step_id, rule, coat)
);

create table bite_seen (
    job_id uuid not null references job (id) on delete cascade,
    step_id varchar(200) not null,
    binder varchar(40) not null,
    solvent varchar(10) not null,
    hit double precision not null,
    lifted boolean not null,
    seen_at timestamp(9) with time zone not null,
    primary key (job_id, step_id, binder)
);
