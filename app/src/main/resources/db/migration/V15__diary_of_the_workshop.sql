-- The diary that was decided: when a step is to begin, and whether the user holds it to that evening.
create table diary_step (
    job_id uuid not null references job (id) on delete cascade,
    step_id varchar(200) not null,
    starts_at timestamp with time zone not null,
    held boolean default false not null,
    primary key (job_id, step_id)
);

-- Days on which the bench time is otherwise than in the week: away, or there for longer.
create table bench_change (
    id uuid primary key,
    on_day date not null,
    from_time time not null,
    until_time time,
    there boolean not null
);
