-- swatches of a bottle over black and white, and let down with white, as one text
alter table bottle add column swatches varchar(1000) default '' not null;
