-- agreements that are signed on paper, and the scans that come back
alter table agreement add column on_paper boolean not null default false;

-- documents as they were printed; the same state of a document is always printed the same
create table paper_print (
    agreement_id uuid not null references agreement,
    document text not null,
    state text not null,
    id text generated always as (agreement_id::text || ':' || document || ':' || state) stored,
    file text not null,
    places jsonb not null,
    pages integer not null,
    primary key (agreement_id, document, state)
);

create table scan (
    id uuid primary key,
    name text not null,
    file text not null,
    agreement_id uuid references agreement,
    brought_by text not null,
    brought_at timestamptz not null,
    state text not null check (state in ('READING', 'READ', 'REFUSED')),
    fault text not null default '',
    pages integer not null default 0
);
create index scan_by_time on scan (brought_at desc, id desc);
create index scan_of on scan (agreement_id);

create table scan_page (
    id uuid primary key,
    scan_id uuid not null references scan on delete cascade,
    number integer not null,
    kind text not null check (kind in ('MATCHED', 'BLANK', 'NO_MARK', 'UNKNOWN', 'OTHER_PRINT', 'NOT_ON_PAPER', 'UNREADABLE')),
    agreement_id uuid references agreement,
    document text,
    page integer,
    printed text,
    marked boolean not null,
    by_hand boolean not null default false,
    picture text,
    wide double precision,
    high double precision,
    laid text,
    findings jsonb not null default '[]',
    unique (scan_id, number)
);
create index scan_page_of on scan_page (agreement_id, document, page);

create trigger paper_print_files after insert or update or delete on paper_print
    for each row execute function refer_to_files('id', 'replaces');
create trigger scan_files after insert or update or delete on scan
    for each row execute function refer_to_files('id', 'replaces');
create trigger scan_page_files after insert or update or delete on scan_page
    for each row execute function refer_to_files('id', 'replaces');
