-- files that those who take part have brought, until their agreement ends: only these can be an answer of theirs
create table attached_file (
    id uuid primary key,
    agreement_id uuid not null references agreement,
    party text not null,
    sha256 text not null,
    name text not null,
    brought_at timestamptz not null
);
create index attached_file_of on attached_file (agreement_id, party);
create trigger attached_file_files after insert or update or delete on attached_file
    for each row execute function refer_to_files('id', 'replaces');
