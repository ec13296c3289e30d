-- What is said of wanted lines, devices and files comes from the records of its own step, and rules are locks.

alter table wanted_line add column year_assumed boolean not null default false;
alter table wanted_line add column position int not null default 0;
update wanted_line w set position = n from (select id, row_number() over (partition by case_id order by id) as n from wanted_line) o where o.id = w.id;

-- A finding fits a line (wanted), or may fit it; whether it is a part of another finding, like a preview in a photo, decides, too.
alter table catalogue_line add column may_fit text not null default ',';
alter table catalogue_line add column inside boolean not null default false;
-- Findings of before were held against the lines by their kind and name alone; they are held against them anew at the next start.
alter table lab_case add column refit boolean not null default false;
update lab_case c set refit = true where exists (select 1 from catalogue_line l where l.case_id = c.id);

-- A person of the lab says that these are what a line asked for.
create table wanted_confirmation (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    wanted_id bigint not null unique references wanted_line on delete cascade,
    theirs bigint[] not null,
    who text not null,
    at timestamptz not null
);

-- A recorded reason to touch a device although a stop rule forbids it; over when the facts that the rule rests on are others.
create table device_release (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    rule text not null,
    because text not null,
    reason text not null,
    who text not null,
    at timestamptz not null,
    ended_at timestamptz
);
-- Never two at once for one rule.
create unique index device_release_alone on device_release (case_id, rule) where ended_at is null;

-- The customer's yes to more being looked at than they agreed to at first.
create table consent_yes (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    look text not null,
    said_by text not null,
    how text not null,
    said_on date not null,
    who text not null,
    at timestamptz not null
);

-- Written as the record says, but in doubt: never counted as whole.
alter table recovery_run add column doubtful int not null default 0;
update recovery_run r set doubtful = d.n, whole = whole - d.n
    from (select run_id, count(*) as n from recovered_file where outcome = 'whole' and prognosis = 'doubtful' group by run_id) d where d.run_id = r.id;

-- What a sealed delivery says of the wanted lines: the account's own words, kept with the record; never computed again.
alter table delivery add column account text;
