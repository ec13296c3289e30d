-- The image's hash when a session began, where it had one; whether it carves what others carved before; when it is likely to be done; the file of another machine that it came in.
alter table scan_session add column again boolean not null default true;
alter table scan_session add column seconds_left double precision;
alter table scan_session add column imported_from text;
alter table scan_session add column image_sha256 text;
