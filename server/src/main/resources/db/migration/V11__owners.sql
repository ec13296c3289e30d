-- Who looks after a case is known by the sign-in name; two colleagues may be called the same.
alter table lab_case add column owner_login text;
update lab_case c set owner_login = s.login from staff s
    where s.name = c.owner and (select count(*) from staff t where t.name = c.owner) = 1;
create index lab_case_owner_login on lab_case (owner_login);

-- Kept filters asked for the name, as an address has it.
update kept_filter f set query = replace(f.query, 'owner=' || replace(s.name, ' ', '+'), 'owner=' || s.login) from staff s
    where f.query like '%owner=' || replace(s.name, ' ', '+') || '%'
    and (select count(*) from staff t where t.name = s.name) = 1;
