-- certificates that the office trusts when it checks files from elsewhere
create table trusted_certificate (
    sha256 text primary key,
    subject text not null,
    issuer text not null,
    valid_from timestamptz not null,
    valid_until timestamptz not null,
    certificate bytea not null,
    source text not null,
    added_by text not null,
    added_at timestamptz not null
);
create index trusted_certificate_subject on trusted_certificate (subject, sha256);
