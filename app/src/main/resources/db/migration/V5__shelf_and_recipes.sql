-- what stands on the shelf; a bottle that was taken away stays as "gone", so that undo and recipes find it
create table bottle (
    id uuid primary key,
    version integer not null,
    gone boolean not null,
    name varchar(80) not null,
    maker varchar(80) not null,
    family varchar(80) not null,
    kind varchar(20) not null,
    finish varchar(20) not null,
    colour_l double precision,
    colour_a double precision,
    colour_b double precision,
    colour_source varchar(20) not null,
    hiding double precision not null,
    amount_ml double precision not null,
    full_ml double precision not null,
    opened_on date,
    keeps_until date,
    price_per_ml double precision not null,
    place varchar(80) not null,
    drop_ml double precision not null,
    strength double precision not null,
    notes varchar(2000) not null
);

-- recipes that are kept, and where they are used
create table recipe (
    id uuid primary key,
    version integer not null,
    gone boolean not null,
    name varchar(80) not null,
    target_l double precision not null,
    target_a double precision not null,
    target_b double precision not null,
    light varchar(20) not null,
    surface varchar(20) not null,
    job_id uuid references job (id),
    step_id varchar(200),
    made_on timestamp(9) with time zone not null,
    notes varchar(2000) not null
);

create table recipe_part (
    recipe_id uuid not null references recipe (id),
    place integer not null,
    bottle_id uuid not null references bottle (id),
    drops integer not null,
    primary key (recipe_id, place)
);

-- what a mix was seen to be, and the strengths that were learned from it
create table test_card (
    id uuid primary key,
    recipe_id uuid not null references recipe (id),
    seen_l double precision not null,
    seen_a double precision not null,
    seen_b double precision not null,
    predicted_l double precision not null,
    predicted_a double precision not null,
    predicted_b double precision not null,
    left_over double precision not null,
    noted_at timestamp(9) with time zone not null,
    taught varchar(1000) not null
);
