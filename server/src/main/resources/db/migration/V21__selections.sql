-- Sets of lines, a bit for each: bit N % 8 of byte N / 8 of a block is line block * 8192 + N. What is chosen of a case is the set
-- with the case's number below zero; a change's set holds the lines that it turned.
create sequence selection_set_ids;
create table selection_block (
    set_id bigint not null,
    block bigint not null,
    case_id bigint not null,
    bits bytea not null,
    primary key (set_id, block)
);
-- Each bit is looked up by itself; a packed block would be unpacked for each.
alter table selection_block alter bits set storage plain;
create index selection_block_case on selection_block (case_id, block);

create table selection_change (
    id bigint primary key,
    case_id bigint not null,
    what varchar not null,
    who varchar not null,
    at timestamptz not null,
    chosen bigint not null,
    given_up bigint not null,
    taken_back_by varchar,
    taken_back_at timestamptz
);
create index selection_change_case on selection_change (case_id, id);

create table kept_selection (
    id bigint primary key,
    case_id bigint not null,
    name varchar not null,
    kept_by varchar not null,
    kept_at timestamptz not null,
    let_go boolean not null
);
create index kept_selection_case on kept_selection (case_id);

-- How many lines of each prognosis are chosen, and their bytes.
create table selection_sum (
    case_id bigint not null,
    prognosis varchar not null,
    files bigint not null,
    bytes bigint not null,
    primary key (case_id, prognosis)
);

insert into selection_block (set_id, block, case_id, bits)
    select -whole.case_id, whole.block, whole.case_id,
        string_agg(set_byte('\x00'::bytea, 0, coalesce(marked.bits, 0)), ''::bytea order by n)
    from (select distinct case_id, line_id / 8192 as block from catalogue_choice where chosen) whole
    cross join generate_series(0, 1023) n
    left join (select case_id, line_id / 8192 as block, (line_id % 8192) / 8 as n, bit_or(1 << (line_id % 8)::int) as bits
        from catalogue_choice where chosen group by 1, 2, 3) marked using (case_id, block, n)
    group by whole.case_id, whole.block;
insert into selection_sum (case_id, prognosis, files, bytes)
    select l.case_id, l.prognosis, count(*), sum(l.size)
    from catalogue_choice c join catalogue_line l on l.id = c.line_id where c.chosen
    group by l.case_id, l.prognosis;
drop table catalogue_choice;
drop sequence selection_change_ids;

-- The system that the customer opens the files on, where somebody said; and how a run is laid out for it.
alter table lab_case add column opens_on varchar;
alter table recovery_run add column layout varchar not null default 'as-it-stood', add column opens_on varchar not null default 'every';
alter table recovery_run alter layout drop default, alter opens_on drop default;
