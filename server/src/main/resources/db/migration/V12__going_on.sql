-- A session that goes on in the image of an earlier one of the same device names it.
alter table imaging_session add column goes_on_from bigint references imaging_session;
