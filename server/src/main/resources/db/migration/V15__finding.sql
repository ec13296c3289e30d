-- A case is found by its story and its facts, too; the server keeps the line so from now on.
update find_text f set words = f.words || ' ' || lower(concat_ws(' ', c.story,
        (select string_agg(replace(t.value, '-', ' '), ' ') from fact t where t.case_id = c.id and not t.withdrawn)))
    from lab_case c where c.id = f.case_id;
insert into find_word (word)
    select distinct w from find_text, regexp_split_to_table(words, '[^[:alnum:]]+') w where length(w) > 2
    on conflict do nothing;
