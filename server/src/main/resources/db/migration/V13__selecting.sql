-- Which change of the selection a line was chosen or given up by last; a change is taken back by its number.
alter table catalogue_line add column selection_change bigint;
create index catalogue_line_change on catalogue_line (selection_change) where selection_change is not null;
create sequence selection_change_ids;
