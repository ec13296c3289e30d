-- A part of a name is found by its letters, three at a time.
create extension if not exists pg_trgm;
create extension if not exists btree_gin;

-- The folders that lines stand in, with what lies in them and below. Each session numbers its volumes by itself.
create sequence catalogue_folder_ids;
create table catalogue_folder (
    id bigint primary key,
    case_id bigint not null,
    told_by bigint not null,
    volume int not null,
    parent_id bigint,
    -- Empty for the top of the volume.
    path varchar not null,
    name varchar not null,
    -- Those that it lies in, from the top on, and itself.
    lineage bigint[] not null,
    lines bigint not null default 0,
    bytes bigint not null default 0,
    whole bigint not null default 0
) with (fillfactor = 70);

-- Of the lines that stand in a folder or below it, how many fit a wanted line, and how many may.
create table catalogue_folder_fit (
    folder_id bigint not null,
    wanted_id bigint not null,
    fits bigint not null,
    may_fit bigint not null,
    primary key (folder_id, wanted_id)
) with (fillfactor = 70);

-- How many lines of a case there are of each kind, origins (joined by commas) and prognosis together.
create table catalogue_count (
    case_id bigint not null,
    kind varchar not null,
    origins varchar not null,
    prognosis varchar not null,
    lines bigint not null,
    bytes bigint not null,
    primary key (case_id, kind, origins, prognosis)
) with (fillfactor = 70);

-- How many lines of a case fit a wanted line, and how many may, by their prognosis.
create table catalogue_fit (
    case_id bigint not null,
    wanted_id bigint not null,
    prognosis varchar not null,
    fits bigint not null,
    may_fit bigint not null,
    primary key (case_id, wanted_id, prognosis)
) with (fillfactor = 70);

alter table catalogue_line add column folder_id bigint;

-- Lines of before stand where their records say; the trash of before says so in trashed_from.
create temporary table stands as
    select l.id, l.case_id, coalesce(l.told_by, 0) as told_by, coalesce(l.volume, -1) as volume,
        array(select part from unnest(string_to_array(
            case
                when coalesce(l.trashed_from, '') ~ '[^/\\:]' and coalesce(l.trashed_from, '') !~ '^[A-Za-z]:[/\\]*$'
                    then regexp_replace(regexp_replace(replace(l.trashed_from, '\', '/'), '^[A-Za-z]:', ''), '[^/]*/*$', '')
                when right(l.path, length(l.name)) = l.name then left(l.path, -length(l.name))
                else '' end, '/')) with ordinality as p (part, n) where part <> '' order by n) as parts
    from catalogue_line l
    where l.path is not null;
create temporary table folder as
    select distinct case_id, told_by, volume, parts[1:depth] as parts
    from stands cross join lateral generate_series(0, coalesce(array_length(parts, 1), 0)) as depth;
insert into catalogue_folder (id, case_id, told_by, volume, path, name, lineage)
    select nextval('catalogue_folder_ids'), case_id, told_by, volume,
        case when parts = '{}' then '' else '/' || array_to_string(parts, '/') end,
        coalesce(parts[array_length(parts, 1)], ''), '{}'
    from folder;
create unique index catalogue_folder_place on catalogue_folder (case_id, told_by, volume, md5(path));
analyze catalogue_folder;
update catalogue_folder f set
    parent_id = (select p.id from catalogue_folder p where p.case_id = f.case_id and p.told_by = f.told_by
        and p.volume = f.volume and f.path <> '' and md5(p.path) = md5(left(f.path, -length(f.name) - 1))),
    lineage = array(
        select p.id
        from generate_series(0, coalesce(array_length(string_to_array(f.path, '/'), 1), 0)) as depth
        join catalogue_folder p on p.case_id = f.case_id and p.told_by = f.told_by and p.volume = f.volume
            and md5(p.path) = md5(array_to_string((string_to_array(f.path, '/'))[1:depth], '/'))
        where depth > 0 or f.path = ''
        order by depth);
update catalogue_line l set folder_id = f.id
    from stands s join catalogue_folder f on f.case_id = s.case_id and f.told_by = s.told_by and f.volume = s.volume
        and md5(f.path) = md5(case when s.parts = '{}' then '' else '/' || array_to_string(s.parts, '/') end)
    where s.id = l.id;
drop table stands, folder;

-- What stands beside a case's lines, counted anew.
create function recount_catalogue(of_case bigint) returns void language sql as $$
    delete from catalogue_count where case_id = of_case;
    insert into catalogue_count (case_id, kind, origins, prognosis, lines, bytes)
        select case_id, kind, array_to_string(origins, ','), prognosis, count(*), sum(size)
        from catalogue_line where case_id = of_case and merged_into is null
        group by case_id, kind, origins, prognosis;
    update catalogue_folder f set lines = c.lines, bytes = c.bytes, whole = c.whole
        from (select inner_or_self as id, coalesce(sum(own.lines), 0) as lines, coalesce(sum(own.bytes), 0) as bytes,
                coalesce(sum(own.whole), 0) as whole
            from catalogue_folder g cross join unnest(g.lineage) as inner_or_self
            left join (select folder_id, count(*) as lines, sum(size) as bytes,
                    count(*) filter (where prognosis = 'WHOLE') as whole
                from catalogue_line where case_id = of_case and merged_into is null group by folder_id) own
                on own.folder_id = g.id
            where g.case_id = of_case group by inner_or_self) c
        where f.id = c.id;
$$;

-- Which wanted lines each line fits, and which it may fit.
create view catalogue_fitting as
    select case_id, folder_id, prognosis, wanted_id, 1 as fits, 0 as may_fit
    from catalogue_line cross join unnest(wanted) as wanted_id where merged_into is null
    union all
    select case_id, folder_id, prognosis, wanted_id, 0, 1
    from catalogue_line cross join unnest(may_fit) as wanted_id where merged_into is null;

-- The same for what fits the wanted lines.
create function recount_fits(of_case bigint) returns void language sql as $$
    delete from catalogue_fit where case_id = of_case;
    delete from catalogue_folder_fit where folder_id in (select id from catalogue_folder where case_id = of_case);
    insert into catalogue_fit (case_id, wanted_id, prognosis, fits, may_fit)
        select case_id, wanted_id, prognosis, sum(fits), sum(may_fit)
        from catalogue_fitting where case_id = of_case group by case_id, wanted_id, prognosis;
    insert into catalogue_folder_fit (folder_id, wanted_id, fits, may_fit)
        select inner_or_self, wanted_id, sum(fits), sum(may_fit)
        from (select folder_id, wanted_id, sum(fits) as fits, sum(may_fit) as may_fit
            from catalogue_fitting where case_id = of_case group by folder_id, wanted_id) own
        join catalogue_folder f on f.id = own.folder_id cross join unnest(f.lineage) as inner_or_self
        group by inner_or_self, wanted_id;
$$;
select recount_catalogue(id), recount_fits(id) from lab_case;

create index catalogue_folder_parent on catalogue_folder (parent_id, name);
create index catalogue_folder_path on catalogue_folder using gin (case_id, path gin_trgm_ops);

-- Where else it lay or lies, and what it was called there; nothing for most.
alter table catalogue_line add column elsewhere varchar;
update catalogue_line set elsewhere = concat_ws(E'\n', nullif(trashed_from, ''),
        array_to_string(array(select place from unnest(places) place where place is distinct from path), E'\n'))
    where coalesce(trashed_from, '') <> '' or array_length(places, 1) > 1;

-- Pages are read in the order of these, from where the last one ended. Hostile names are longer than an index takes.
create index catalogue_line_by_path on catalogue_line (case_id, left(path, 300), id) where merged_into is null;
create index catalogue_line_by_name on catalogue_line (case_id, left(name, 100), id) where merged_into is null;
create index catalogue_line_by_size on catalogue_line (case_id, size desc nulls last, id desc) where merged_into is null;
create index catalogue_line_by_score on catalogue_line (case_id, score desc nulls last, id desc) where merged_into is null;
create index catalogue_line_by_modified on catalogue_line (case_id, modified desc nulls last, id desc)
    where merged_into is null;
create index catalogue_line_folder on catalogue_line (folder_id, left(name, 100), id) where merged_into is null;
-- What few lines have is found without looking at all of them.
create index catalogue_line_prognosis on catalogue_line (case_id, prognosis) where merged_into is null;
create index catalogue_line_lists on catalogue_line using gin (case_id, origins, wanted, may_fit);
create index catalogue_line_words on catalogue_line
    using gin (case_id, name gin_trgm_ops, elsewhere gin_trgm_ops, suggested_name gin_trgm_ops, about gin_trgm_ops);
drop index catalogue_line_kind;
-- All that stands beside a volume is counted from the index alone.
create index catalogue_line_kind on catalogue_line (case_id, kind, prognosis, origins)
    include (told_by, volume, folder_id) where merged_into is null;
-- What no record names is counted by kind.
create index catalogue_line_nameless on catalogue_line (case_id, kind) include (size, prognosis)
    where merged_into is null and folder_id is null;
-- What somebody chose, beside the lines: choosing a million of them writes none of the lines anew.
create table catalogue_choice (
    line_id bigint primary key,
    case_id bigint not null,
    -- False for what was given up again.
    chosen boolean not null,
    -- The change that made it so; null once that was taken back.
    change bigint
);
insert into catalogue_choice (line_id, case_id, chosen, change)
    select id, case_id, selected, selection_change from catalogue_line where selected or selection_change is not null;
create index catalogue_choice_chosen on catalogue_choice (case_id) where chosen;
create index catalogue_choice_change on catalogue_choice (change) where change is not null;
alter table catalogue_line drop column selected, drop column selection_change;

-- As of the others: a trigger for each row would take longer than the row.
alter table catalogue_line drop constraint if exists catalogue_line_merged_into_fkey;

-- When it was made: as its content says, by the clock of what made it, else as its record says, in UTC.
alter table catalogue_line add column made timestamp;
create function pg_temp.said(text) returns timestamp language plpgsql as $$
begin
    return case when $1 ~ '^(19[89]|20)\d' then left($1, 19)::timestamp end;
exception when data_exception then
    return null;
end $$;
update catalogue_line set made = coalesce(pg_temp.said(about::jsonb ->> 'taken'), modified at time zone 'UTC')
    where about like '%"taken"%' or modified is not null;
create index catalogue_line_by_made on catalogue_line (case_id, made, id) where merged_into is null and kind in (
    'jpg', 'png', 'gif', 'bmp', 'tiff', 'webp', 'heic', 'heif', 'svg', 'psd', 'cr2', 'cr3', 'nef', 'dng', 'arw', 'orf',
    'rw2', 'raf', 'pef', 'avif', 'jp2', 'ico');
