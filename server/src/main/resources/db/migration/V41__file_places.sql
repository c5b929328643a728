-- Where the office's files are kept, in one row, and how far they are moved there from where they were.
create table file_place (
    one boolean primary key default true check (one),
    kept_in text not null check (kept_in in ('FOLDER', 'BUCKET')),
    since timestamptz not null,
    moving boolean not null default false,
    -- null until they have been counted
    to_move bigint,
    moved bigint not null default 0,
    -- names of files that can't be moved, since they aren't what was kept
    stuck text[] not null default '{}',
    fault text not null default '',
    looked_at timestamptz
);
