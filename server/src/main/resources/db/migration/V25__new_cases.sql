-- What is looked up key by key must not be planned by how many rows a case had when they were counted last: of a case
-- that is new there were none, so that the database would go through all of its rows for each key.
alter table catalogue_content alter case_id type bigint, alter case_id set statistics 0;
alter table catalogue_key alter case_id type bigint, alter case_id set statistics 0;
alter table catalogue_folder alter case_id type bigint, alter case_id set statistics 0;
