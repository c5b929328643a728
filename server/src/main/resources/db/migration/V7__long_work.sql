-- work that takes long and is asked for by somebody who may leave meanwhile: one of a kind for each subject, and what it came
-- to is kept until what it was made from changes
create table long_work (
    id uuid primary key,
    kind text not null,
    subject uuid not null,
    basis text not null,
    state text not null check (state in ('WAITING', 'RUNNING', 'DONE', 'FAILED')),
    done integer not null default 0,
    total integer not null default 0,
    result jsonb,
    reason text not null default '',
    asked_by text not null,
    asked_at timestamptz not null,
    unique (kind, subject)
);
create trigger long_work_files after insert or update or delete on long_work
    for each row execute function refer_to_files('id', 'replaces');
