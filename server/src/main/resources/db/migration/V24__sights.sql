-- What pictures look like, as far as they were drawn.
create table catalogue_sight (
    line_id bigint primary key,
    case_id bigint not null,
    -- Which bytes it was drawn from: a line that has others now is drawn anew.
    content varchar not null,
    drawn boolean not null,
    look varchar
);
create index catalogue_sight_case on catalogue_sight (case_id);

create table sheet_run (
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
    undrawn int not null
);
create index sheet_run_case on sheet_run (case_id, id);
