-- A session that another machine did has no method until its file says which it was.
alter table scan_session alter column method drop not null;
update scan_session set method = null where method = 'import';
