-- The share of its bytes of which a check would have noticed that they were overwritten; none where no check passed.
alter table catalogue_line add column proven double precision;
-- What stood under this name was how much of it is in the image.
alter table catalogue_line rename column proven_bytes to read_bytes;
