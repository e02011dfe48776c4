-- two clients could put the same bottle there at once; the later of two gets a name of its own
update bottle set name = left(name, 72) || ' (' || left(cast(id as varchar), 4) || ')', version = version + 1
where not gone and exists (
    select 1 from bottle other
    where not other.gone and lower(other.name) = lower(bottle.name) and lower(other.maker) = lower(bottle.maker)
      and other.id < bottle.id);

alter table bottle add column standing_name varchar(200)
    generated always as (case when gone then null else lower(name) || char(31) || lower(maker) end);

create unique index bottle_standing on bottle (standing_name);
