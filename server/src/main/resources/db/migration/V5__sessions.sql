-- What a scan session saw of its image: the bytes that had been read when it began, and whether it was still being written.
alter table scan_session add column read_bytes bigint not null default 0;
alter table scan_session add column early boolean not null default false;
