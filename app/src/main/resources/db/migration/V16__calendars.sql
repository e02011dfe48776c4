-- Calendars that were read in: when their owner is busy elsewhere. What for is not kept.
create table busy_calendar (
    name varchar(80) primary key,
    read_at timestamp with time zone not null
);

create table busy_time (
    calendar varchar(80) not null references busy_calendar (name) on delete cascade,
    from_minute bigint not null,
    until_minute bigint not null,
    primary key (calendar, from_minute, until_minute)
);

-- The private link by which a calendar program takes the diary; only its SHA-256 is kept.
create table calendar_link (
    id int primary key check (id = 1),
    token_sha256 varchar(64) not null,
    made_at timestamp with time zone not null
);
