create table workshop (
    id integer primary key,
    name varchar(120) not null,
    zone_id varchar(60) not null,
    celsius double precision not null,
    humidity double precision not null,
    viewing_mm integer not null,
    version integer not null
);

create table bench_time (
    workshop_id integer not null references workshop (id),
    weekday varchar(9) not null,
    from_time time not null,
    until_time time not null,
    primary key (workshop_id, weekday, from_time)
);

create table job (
    id uuid primary key,
    name varchar(120) not null,
    kind varchar(20) not null,
    scale_ratio double precision not null,
    length_mm double precision not null,
    height_mm double precision not null,
    substrate varchar(30) not null,
    wanted_on date,
    note varchar(2000) not null,
    created_at timestamp(9) with time zone not null,
    archived boolean not null,
    version integer not null,
    study_version integer not null,
    plan_version integer not null
);

create table zone (
    job_id uuid not null references job (id),
    zone_key varchar(30) not null,
    name varchar(60) not null,
    lettering boolean not null,
    area_share double precision not null,
    place integer not null,
    primary key (job_id, zone_key)
);

create table photograph (
    id uuid primary key,
    job_id uuid not null references job (id),
    role varchar(10) not null,
    caption varchar(200) not null,
    hash char(64) not null,
    media_type varchar(20) not null,
    width_px integer not null,
    height_px integer not null,
    orientation integer not null,
    taken_at timestamp(9) with time zone,
    added_at timestamp(9) with time zone not null,
    corners varchar(400),
    known_points varchar(2000),
    grey_patch varchar(200),
    removed boolean not null,
    version integer not null
);
create index photograph_of_job on photograph (job_id);

create table region (
    job_id uuid not null references job (id),
    id uuid not null,
    name varchar(80) not null,
    zone_key varchar(30),
    x_mm double precision not null,
    y_mm double precision not null,
    width_mm double precision not null,
    height_mm double precision not null,
    factory boolean not null,
    place integer not null,
    primary key (job_id, id)
);

create table effect (
    job_id uuid not null references job (id),
    id uuid not null,
    kind varchar(20) not null,
    zones varchar(600) not null,
    strength integer not null,
    material varchar(40),
    note varchar(500) not null,
    place integer not null,
    primary key (job_id, id)
);

create table plan_step (
    job_id uuid not null references job (id),
    id varchar(200) not null,
    technique varchar(40) not null,
    material varchar(40) not null,
    thickness varchar(10) not null,
    zones varchar(600) not null,
    origin varchar(10) not null,
    reason varchar(1000) not null,
    started_at timestamp(9) with time zone,
    finished_at timestamp(9) with time zone,
    place integer not null,
    primary key (job_id, id)
);

create table pin (
    job_id uuid not null references job (id),
    first_id varchar(200) not null,
    then_id varchar(200) not null,
    primary key (job_id, first_id, then_id)
);

create table log_entry (
    id uuid primary key,
    job_id uuid not null references job (id),
    step_id varchar(200) not null,
    technique varchar(40) not null,
    material varchar(40) not null,
    zones varchar(600) not null,
    started_at timestamp(9) with time zone not null,
    finished_at timestamp(9) with time zone,
    note varchar(2000) not null,
    photograph_id uuid references photograph (id),
    version integer not null
);
create index log_of_job on log_entry (job_id);
