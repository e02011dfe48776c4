-- zones are the subject's own: what they face and are made of; null is as their kind has it
alter table zone add column face varchar(10);
alter table zone add column substrate varchar(30);
alter table zone add column kept_clean boolean;
alter table zone add column box varchar(80);

-- an effect in tones, and made how
alter table effect add column tones varchar(1000) default '' not null;
update effect set tones = material where material is not null;
alter table effect drop column material;
alter table effect add column how varchar(1000);

-- what the user says of a step, and the share of the zone that its strength comes to
alter table plan_step add column extra varchar(8000);
alter table plan_step alter column material varchar(160);
alter table log_entry alter column material varchar(160);
alter table drying_seen alter column material varchar(160);

-- how far the plan could be off the best, in minutes; null when it was not compiled or changed since
alter table job add column plan_gap bigint;

-- materials of the workshop's own; one that was taken away stays for the plans that have it
create table own_material (
    material_key varchar(60) primary key,
    name varchar(80) not null,
    family varchar(80) not null,
    clear boolean not null,
    finish varchar(20),
    colour varchar(7),
    touch_min double precision,
    handle_min double precision,
    recoat_min double precision,
    full_min double precision,
    work_from_min double precision,
    work_until_min double precision,
    gone boolean not null
);
