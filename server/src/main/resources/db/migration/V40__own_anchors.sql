-- roots of the office's own trust service, also those that it has replaced since
create table own_anchor (
    sha256 text primary key,
    certificate bytea not null,
    first_seen timestamptz not null
);
