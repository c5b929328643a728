-- places outside to which completed agreements are filed
create table filing_target (
    id uuid primary key,
    title text not null,
    terms jsonb not null,
    credential text not null default '',
    revision integer not null default 0,
    paused boolean not null default false,
    away integer not null default 0,
    fault text not null default '',
    waits_until timestamptz,
    gathered uuid,
    gathering boolean not null default true,
    created_by text not null,
    created_at timestamptz not null
);

-- what is to be filed and has been; entry is what the index says of it
create table filing (
    target_id uuid not null references filing_target,
    agreement_id uuid not null references agreement,
    state text not null check (state in ('WAITING', 'FILED', 'FAILED')),
    tries integer not null default 0,
    next_at timestamptz not null,
    fault text not null default '',
    month text,
    entry jsonb,
    indexed boolean not null default true,
    changed_at timestamptz not null,
    primary key (target_id, agreement_id)
);
create index filing_due on filing (target_id, next_at) where state = 'WAITING';
create index filing_list on filing (target_id, state, changed_at, agreement_id);
create index filing_unindexed on filing (target_id, month) where not indexed;
create index filing_month on filing (target_id, month) where state = 'FILED';

-- whose each path of a target is, so that none is anybody else's, and an agreement that is filed again goes where it was
create table filing_path (
    target_id uuid not null references filing_target,
    path_key text not null,
    agreement_id uuid not null references agreement,
    position integer not null,
    path text not null,
    primary key (target_id, path_key)
);
create index filing_path_agreement on filing_path (target_id, agreement_id, position);
