-- Who looks at which case, as the screens said last.
create table present_person (
    id bigint generated always as identity primary key,
    case_number text not null,
    login text not null,
    place text not null,
    seen_at timestamptz not null,
    constraint present_person_once unique (case_number, login)
);
