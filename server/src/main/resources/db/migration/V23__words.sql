-- The words inside of findings, as far as they were read, and what of them is searched.
create table catalogue_words (
    line_id bigint primary key,
    case_id bigint not null,
    -- Which bytes they were read from: a line that has others now is read anew.
    content varchar not null,
    outcome varchar not null,
    said varchar not null,
    searched tsvector not null generated always as (to_tsvector('simple', said)) stored
);
alter table catalogue_words alter said set statistics 0;
create index catalogue_words_case on catalogue_words (case_id);
create index catalogue_words_searched on catalogue_words using gin (searched);

create table words_run (
    id bigint generated always as identity primary key,
    case_id bigint not null,
    state varchar not null,
    asked varchar,
    trouble varchar,
    who varchar not null,
    started_at timestamptz not null,
    ended_at timestamptz,
    total int not null,
    done int not null,
    nothing int not null,
    unreadable int not null
);
create index words_run_case on words_run (case_id, id);
