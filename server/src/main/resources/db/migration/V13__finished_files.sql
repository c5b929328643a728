-- templates that were made for one agreement only: no list offers them until they are kept
alter table template add column single_use boolean not null default false;

-- the file that an agreement is about when it was made elsewhere
alter table intake_request add column finished jsonb;

-- files that were made elsewhere, until there is an agreement about them
create table finished_file (
    id uuid primary key,
    name text not null,
    state text not null check (state in ('READING', 'REFUSED', 'READ', 'BY_HAND', 'MADE')),
    revision integer not null default 0,
    brought text not null,
    plain boolean not null default false,
    paper jsonb,
    reason text not null default '',
    candidates jsonb not null default '[]',
    template_version_id uuid references template_version,
    document text not null default '',
    understood jsonb,
    template_id uuid references template,
    agreement_number text not null default '',
    created_by text not null,
    created_at timestamptz not null
);
create index finished_file_created on finished_file (created_at desc, id);
create index finished_file_name on finished_file (name, id);
create trigger finished_file_files after insert or update or delete on finished_file
    for each row execute function refer_to_files('id', 'replaces');

-- by what the documents of published versions are known; made anew when the program makes them otherwise
create table text_fingerprint (
    template_version_id uuid not null references template_version,
    document text not null,
    edition integer not null,
    print bytea not null,
    primary key (template_version_id, document)
);
