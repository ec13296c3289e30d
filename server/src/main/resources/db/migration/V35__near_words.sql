-- A mistyped word is looked for among those that begin or end as it does, so that 200,000 words are not read for one.
create index find_word_begins on find_word (left(word, 1), length(word)) include (word);
create index find_word_ends on find_word (right(word, 2), length(word)) include (word);
