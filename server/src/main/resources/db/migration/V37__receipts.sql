-- One bag of a case is sealed at a time, whoever orders it and on whichever server.
update delivery d
set state = 'FAILED', trouble = 'It was ordered twice; the other one was sealed.'
where state in ('WAITING', 'RUNNING')
    and exists (select from delivery o where o.case_id = d.case_id and o.state in ('WAITING', 'RUNNING') and o.id > d.id);
create unique index delivery_alone on delivery (case_id) where state in ('WAITING', 'RUNNING');

alter table delivery
    add column link_withdrawn_at timestamptz,
    -- Receipts of before were the browser's word; since then its hashes are compared here.
    add column receipt_compared boolean not null default false;
