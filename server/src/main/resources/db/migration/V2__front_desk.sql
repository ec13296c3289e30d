-- Typo-tolerant finding and customers that look alike.
create extension if not exists pg_trgm;

create table customer (
    id bigint generated always as identity primary key,
    kind text not null check (kind in ('person', 'organisation')),
    name text not null,
    preferred text not null check (preferred in ('phone', 'email', 'post')),
    merged_into bigint references customer,
    created_at timestamptz not null,
    version int not null
);
create index customer_name on customer using gin (lower(name) gin_trgm_ops) where merged_into is null;

-- plain is what is compared: the digits of a number, the small letters of an address.
create table customer_way (
    customer_id bigint not null references customer,
    position int not null,
    kind text not null check (kind in ('phone', 'email', 'post')),
    value text not null,
    plain text not null,
    primary key (customer_id, position)
);
create index customer_way_plain on customer_way (plain);

-- Which cases went over in a merge, so that it can be undone.
create table customer_merge (
    id bigint generated always as identity primary key,
    kept bigint not null references customer,
    merged bigint not null references customer,
    cases text not null,
    who text not null,
    at timestamptz not null,
    undone_at timestamptz
);

alter table lab_case add column customer_id bigint references customer;
alter table lab_case add column deadline date;
alter table lab_case add column consent_look text not null default '';
alter table lab_case add column consent_told text not null default '';
alter table lab_case add column consent_mail boolean not null default false;
alter table lab_case add column terms_read boolean not null default false;
alter table lab_case add column stage_since timestamptz;
alter table lab_case add column hold_reason text;
alter table lab_case add column hold_until date;
alter table lab_case add column hold_from text;

-- Earlier cases: a customer for each name with its number and address.
insert into customer (kind, name, preferred, created_at, version)
    select 'organisation', customer_name, 'phone', min(created_at), 0 from lab_case group by customer_name, phone, email order by min(id);
update lab_case c set customer_id = (
    select x.id from (
        select k.id, row_number() over (order by k.id) as place from customer k) x
    join (
        select customer_name, phone, email, row_number() over (order by min(id)) as place from lab_case group by customer_name, phone, email) g
        on g.place = x.place
    where g.customer_name = c.customer_name and g.phone = c.phone and g.email = c.email);
insert into customer_way (customer_id, position, kind, value, plain)
    select distinct customer_id, 0, 'phone', phone, regexp_replace(phone, '\D', '', 'g') from lab_case where phone <> '';
insert into customer_way (customer_id, position, kind, value, plain)
    select distinct customer_id, case when phone = '' then 0 else 1 end, 'email', email, lower(email) from lab_case where email <> '';
update lab_case c set stage_since = coalesce((select max(at) from case_stage s where s.case_id = c.id), created_at);
alter table lab_case alter column customer_id set not null;
alter table lab_case alter column stage_since set not null;
alter table lab_case drop column phone;
alter table lab_case drop column email;
create index lab_case_customer on lab_case (customer_id);
create index lab_case_created on lab_case (created_at desc);

alter table device add column position int not null default 1;
alter table device add column interface text not null default '';
alter table device add column accessories text not null default '';
alter table device add column condition text not null default '';
alter table device add column set_name text not null default '';
alter table device add column slot int;
alter table device add column entitlement text not null default '';
alter table device add column entitled_until date;
alter table device add column removed boolean not null default false;

alter table wanted_line add column changed_from date;
alter table wanted_line add column changed_to date;

alter table fact add column measured boolean not null default false;
alter table fact add column withdrawn_at timestamptz;
alter table fact add column withdrawn_by text;

create table photo (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    device_id bigint references device,
    what text not null check (what in ('label', 'device', 'accessory')),
    name text not null,
    sha256 text not null,
    width int not null,
    height int not null,
    bytes bigint not null,
    who text not null,
    at timestamptz not null,
    removed boolean not null default false
);
create index photo_case on photo (case_id, id);

create table case_note (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    kind text not null check (kind in ('note', 'call')),
    words text not null,
    who text not null,
    at timestamptz not null
);
create index case_note_case on case_note (case_id, id);

create table mention (
    id bigint generated always as identity primary key,
    note_id bigint not null references case_note,
    login text not null,
    seen_at timestamptz
);
create index mention_unseen on mention (login) where seen_at is null;
create index mention_note on mention (note_id);

-- Every triage that was decided, with the ranking as it was then.
create table triage_decision (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    path text not null,
    reason text not null,
    protocol text not null,
    ranking text not null,
    path_before text,
    reason_before text,
    protocol_before text,
    stage_before text not null,
    who text not null,
    at timestamptz not null,
    undone_at timestamptz
);
create index triage_decision_case on triage_decision (case_id, id);

create table adopted_protocol (
    id bigint generated always as identity primary key,
    name text not null,
    text text not null,
    who text not null,
    at timestamptz not null
);

create table draft (
    key text primary key,
    case_number text,
    title text not null,
    form text not null,
    owner text not null,
    owner_name text not null,
    updated_at timestamptz not null,
    version int not null
);

create table kept_filter (
    id bigint generated always as identity primary key,
    name text not null,
    query text not null,
    owner text not null,
    at timestamptz not null,
    unique (owner, name)
);

create table lab_setting (
    key text primary key,
    value text not null,
    who text not null,
    at timestamptz not null,
    version int not null
);

create table mail (
    id bigint generated always as identity primary key,
    case_number text not null,
    letter text not null,
    recipient text not null,
    subject text not null,
    body text not null,
    state text not null check (state in ('QUEUED', 'SENT', 'FAILED', 'CANCELLED')),
    tries int not null,
    next_at timestamptz not null,
    trouble text,
    queued_at timestamptz not null,
    sent_at timestamptz
);
create index mail_due on mail (next_at) where state = 'QUEUED';
create index mail_case on mail (case_number, id);

-- One line of plain text for each case, kept by the server whenever the case changes.
create table find_text (
    case_id bigint primary key references lab_case,
    words text not null
);
create index find_text_words on find_text using gin (words gin_trgm_ops);
-- A case's number stands first in its line.
create index find_text_number on find_text (left(words, 12) text_pattern_ops);

-- Every word of those lines once, so that a mistyped one is compared with words rather than with lines.
create table find_word (word text primary key);
create index find_word_near on find_word using gin (word gin_trgm_ops);

-- Earlier cases are found too.
insert into find_text (case_id, words)
    select c.id, lower(concat_ws(' ', c.number, c.customer_name, nullif(c.contact_person, ''),
        (select string_agg(w.value || ' ' || w.plain, ' ' order by w.position) from customer_way w where w.customer_id = c.customer_id),
        (select string_agg(concat_ws(' ', d.make, d.model, d.serial, regexp_replace(d.serial, '[^[:alnum:]]', '', 'g')), ' ') from device d where d.case_id = c.id),
        (select string_agg(l.words, ' ') from wanted_line l where l.case_id = c.id)))
    from lab_case c;
insert into find_word (word)
    select distinct w from find_text, regexp_split_to_table(words, '[^[:alnum:]]+') w where length(w) > 2;
