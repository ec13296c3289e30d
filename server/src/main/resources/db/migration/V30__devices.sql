-- A case may bring several devices: each has facts, a decision, releases, an attachment and images of its own.

-- Facts without a device are of the case, and so of each of its devices.
alter table fact add column device_id bigint references device;

-- The path of a device that does not go the way of its case.
alter table device add column path varchar, add column path_reason text, add column protocol varchar;

-- Decisions without a device were made for all that have none of their own; the last device that had none left gives
-- its case a path as well.
alter table triage_decision
    add column device_id bigint references device,
    add column completes boolean not null default false,
    add column stage_after varchar;

-- Releases of before were given for all devices of their case.
alter table device_release add column device_id bigint references device;
drop index device_release_alone;
create unique index device_release_alone on device_release (case_id, coalesce(device_id, 0), rule) where ended_at is null;

-- A medium stood for a case: for the device whose serial it has, else for one of its size, else for the first.
alter table attachment add column device_id bigint references device;
update attachment a set device_id = (
    select d.id from device d where d.case_id = a.case_id
    order by
        d.serial <> '' and upper(regexp_replace(d.serial, '[^A-Za-z0-9]', '', 'g'))
            = upper(regexp_replace(coalesce(nullif(a.identity, '')::jsonb ->> 'serial', ''), '[^A-Za-z0-9]', '', 'g')) desc,
        d.removed, d.capacity > 0 and abs(d.capacity - (nullif(a.identity, '')::jsonb ->> 'size')::bigint) < d.capacity / 50 desc,
        d.position, d.id
    limit 1);
alter table attachment alter column device_id set not null;
create index attachment_device on attachment (device_id, id);

alter table imaging_session add column device_id bigint references device;
update imaging_session s set device_id = a.device_id from attachment a where a.id = s.attachment_id;
alter table imaging_session alter column device_id set not null;
create index imaging_session_device on imaging_session (device_id, id);

alter table scan_session add column device_id bigint references device;
update scan_session s set device_id = i.device_id from imaging_session i where i.id = s.imaging_id;
alter table scan_session alter column device_id set not null;
create index scan_session_device on scan_session (device_id, id);

-- Where bytes lie says nothing of another medium, so keys that speak of places name their device. Those of before were
-- of the device that was read first, and go on without a name; all others have one.
alter table lab_case add column untold_device bigint;
update lab_case c set untold_device = (
    select i.device_id from imaging_session i where i.case_id = c.id order by i.id limit 1);
create temporary table elsewhere as
    select i.id, i.device_id from imaging_session i join lab_case c on c.id = i.case_id
    where i.device_id <> c.untold_device;
update catalogue_content c set place = c.place || '@' || e.device_id from elsewhere e where e.id = c.imaging_id;
update catalogue_key k set identity_key = k.identity_key || '@' || e.device_id
    from catalogue_line l join elsewhere e on e.id = l.imaging_id
    where l.id = k.line_id and k.identity_key not like 'sha256:%';
drop table elsewhere;

-- How many lots of findings came into a case's catalogue: several sessions of it may be at work at once.
create table catalogue_turn (
    case_id bigint primary key,
    lots bigint not null
) with (fillfactor = 70);
