-- What a scan session saw of its image: the bytes that had been read when it began, and whether it was still being written.
alter table scan_session add column read_bytes bigint not null default 0;
alter table scan_session add column early boolean not null default false;

-- A line of the catalogue may be known by several keys: where its bytes are, and its hash. Lines that turn out to be one file are put together.
create table catalogue_key (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    identity_key text not null,
    line_id bigint not null references catalogue_line
);
insert into catalogue_key (case_id, identity_key, line_id) select case_id, identity_key, id from catalogue_line;
create unique index catalogue_key_identity on catalogue_key (case_id, identity_key);
create index catalogue_key_line on catalogue_key (line_id);
alter table catalogue_line drop column identity_key;
alter table catalogue_line add column merged_into bigint references catalogue_line;
-- Of whom its name is, what its content says of itself, and how each session found it: {"session": {"rank", "prognosis", "score", "origin", "path"}}.
alter table catalogue_line add column name_origin text;
update catalogue_line set name_origin = case when path is null then 'carved' else split_part(trim(both ',' from origins), ',', 1) end;
alter table catalogue_line add column suggested_name text;
alter table catalogue_line add column about text not null default '{}';
alter table catalogue_line add column versions text not null default '{}';
create function version_rank(versions text, session text) returns int language sql immutable as 'select (versions::jsonb -> session ->> ''rank'')::int';
