-- Whether the fall of the light over the side is taken out, as told by paint of one colour.
alter table photograph add column evened boolean default true not null;
