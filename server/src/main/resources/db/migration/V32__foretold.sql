-- What was foretold when a triage was decided; decisions of before kept none.
alter table triage_decision add column estimate text;

-- How the lab did is asked by when cases ended.
create index lab_case_ended on lab_case (stage, stage_since);
