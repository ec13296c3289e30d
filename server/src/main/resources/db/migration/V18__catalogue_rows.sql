-- Findings come in by the ten thousand: what they make is written with COPY, under numbers that are taken beforehand.
alter sequence catalogue_line_ids increment by 1;

-- How each session found a line: the smaller its rank, the better. Sessions of before that was kept have none.
create table catalogue_seen (
    line_id bigint not null,
    session_id bigint not null,
    rank int,
    prognosis text,
    score int,
    origin text,
    path text,
    primary key (line_id, session_id)
);
insert into catalogue_seen (line_id, session_id, rank, prognosis, score, origin, path)
    select l.id, s::bigint, (v ->> 'rank')::int, upper(v ->> 'prognosis'), (v ->> 'score')::int, upper(v ->> 'origin'), v ->> 'path'
    from catalogue_line l
    cross join lateral unnest(string_to_array(trim(both ',' from l.sessions), ',')) s
    cross join lateral (select l.versions::jsonb -> s as v) as version
    where s ~ '^\d+$'
    on conflict do nothing;
create index catalogue_seen_session on catalogue_seen (session_id, line_id);

alter table catalogue_line
    drop column versions,
    drop column sessions,
    alter may_fit drop default,
    alter origins type varchar[] using string_to_array(trim(both ',' from origins), ','),
    alter wanted type bigint[] using string_to_array(trim(both ',' from wanted), ',')::bigint[],
    alter may_fit type bigint[] using string_to_array(trim(both ',' from may_fit), ',')::bigint[];
drop function version_rank;

alter table catalogue_line rename column places to places_of_before;
alter table catalogue_line add column places varchar[] not null default '{}';
update catalogue_line set places = array(select jsonb_array_elements_text(places_of_before::jsonb))
    where places_of_before not in ('', '[]');
alter table catalogue_line drop column places_of_before, alter places drop default;

-- One merge at a time writes these, and checks what they lead to; a trigger for each row would take longer than the row.
alter table catalogue_key drop constraint catalogue_key_line_id_fkey, drop constraint catalogue_key_case_id_fkey;
alter table catalogue_content drop constraint catalogue_content_case_id_fkey, drop constraint catalogue_content_imaging_id_fkey;
alter table catalogue_line drop constraint catalogue_line_case_id_fkey, drop constraint catalogue_line_imaging_id_fkey;
-- What leads to a line that was taken in by another goes on from there.
drop index catalogue_key_line;
drop index catalogue_key_identity;
alter table catalogue_key drop column id, add primary key (case_id, identity_key);
drop index catalogue_content_place;
alter table catalogue_content drop column id, add column line_id bigint, add primary key (case_id, place);
-- Where bytes are is on record once: their place leads to a line by itself.
update catalogue_content c set line_id = k.line_id from catalogue_key k where k.case_id = c.case_id and k.identity_key = c.place;
delete from catalogue_key k using catalogue_content c where k.case_id = c.case_id and k.identity_key = c.place;
-- Places of before contents were kept say themselves which bytes they mean: bytes:SIZE[:ENCODING]:OFFSET+LENGTH...
insert into catalogue_content (case_id, place, imaging_id, size, extents, encoding, line_id)
    select k.case_id, k.identity_key, l.imaging_id, split_part(k.identity_key, ':', 2)::bigint,
        (select coalesce('[' || string_agg('[' || replace(part, '+', ',') || ']', ',' order by n) || ']', '[]')
            from unnest(parts) with ordinality as p (part, n) where part like '%+%'),
        (select string_agg(part, ':' order by n) from unnest(parts) with ordinality as p (part, n) where n > 2 and part not like '%+%'),
        k.line_id
    from catalogue_key k
    join catalogue_line l on l.id = k.line_id
    cross join lateral (select string_to_array(k.identity_key, ':') as parts) as place
    where k.identity_key like 'bytes:%'
    on conflict do nothing;
delete from catalogue_key where identity_key like 'bytes:%';
drop index catalogue_line_selected;
create index catalogue_line_selected on catalogue_line (case_id, id) where selected;

-- Nobody asks for lines by these; how they are spread need not be counted.
alter table catalogue_line alter reasons set statistics 0, alter extents set statistics 0, alter about set statistics 0,
    alter attributes set statistics 0, alter note set statistics 0, alter places set statistics 0, alter sha256 set statistics 0;
alter table catalogue_seen alter path set statistics 0;
