-- Where the bytes of each finding are, whoever named them: by size and sample the few are found that must be hashed. No sample yet: of before
-- this was kept; -1: not all of it could be read.
create table catalogue_content (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    place text not null,
    imaging_id bigint not null references imaging_session,
    size bigint not null,
    extents text not null,
    encoding text,
    sample bigint,
    sha256 text
);
insert into catalogue_content (case_id, place, imaging_id, size, extents, encoding, sha256)
    select l.case_id, k.identity_key, l.imaging_id, l.size, l.extents, l.encoding, l.sha256
    from (select l.*, 'bytes:' || size || coalesce(':' || encoding, '')
            || coalesce((select string_agg(':' || (e ->> 0) || '+' || (e ->> 1), '' order by n) from jsonb_array_elements(extents::jsonb) with ordinality as x (e, n)), '') as place from catalogue_line l) l
    join catalogue_key k on k.case_id = l.case_id and k.identity_key = case when length(l.place) > 200 then 'bytes#' || encode(sha256(convert_to(l.place, 'UTF8')), 'hex') else l.place end;
create unique index catalogue_content_place on catalogue_content (case_id, place);
create index catalogue_content_alike on catalogue_content (case_id, size, sample);
-- Looked at often while a catalogue grows; how these are spread says nothing.
alter table catalogue_content alter place set statistics 1, alter extents set statistics 0, alter encoding set statistics 0, alter sha256 set statistics 0;
alter table catalogue_key alter identity_key set statistics 1;

-- Many come at once: numbers are taken 500 at a time, so that they go in together.
alter table catalogue_line alter id drop identity;
alter table catalogue_key alter id drop identity;
alter table catalogue_content alter id drop identity;
create sequence catalogue_line_ids increment by 500;
create sequence catalogue_key_ids increment by 500;
create sequence catalogue_content_ids increment by 500;
-- What is given out next is the last of 500 numbers.
select setval('catalogue_line_ids', coalesce(max(id), 0) + 500, false) from catalogue_line;
select setval('catalogue_key_ids', coalesce(max(id), 0) + 500, false) from catalogue_key;
select setval('catalogue_content_ids', coalesce(max(id), 0) + 500, false) from catalogue_content;

-- Whether a session hashes each finding, or leaves it to the catalogue to hash those that look alike; until now each did.
alter table scan_session add column hashes boolean not null default true;
