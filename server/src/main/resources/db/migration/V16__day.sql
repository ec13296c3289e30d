-- Who did what on a day, and which cases ended since one.
create index custody_entry_at on custody_entry (at);
create index lab_case_over on lab_case (stage_since) where stage in ('CLOSED', 'DECLINED');
