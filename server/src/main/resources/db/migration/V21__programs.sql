-- other programs of the office's that come with keys, and what they asked for
create table program (
    id uuid primary key,
    title text not null,
    terms jsonb not null,
    revision int not null,
    created_by text not null,
    created_at timestamptz not null,
    changed_at timestamptz not null,
    ended_at timestamptz,
    -- how many times it may ask at once; it fills up by the minute
    allowance double precision not null,
    allowance_at timestamptz not null
);
create index program_title on program (title, id);
create index program_changed on program (changed_at, id);

-- a key that is sent along is kept as a hash; one that requests are signed with has to be known
create table program_key (
    id uuid primary key,
    program_id uuid not null references program,
    kind text not null,
    secret_hash text unique,
    secret text,
    ending text not null,
    created_by text not null,
    created_at timestamptz not null,
    ends_at timestamptz,
    last_used_at timestamptz
);
create index program_key_program on program_key (program_id, created_at);

create table program_use (
    id bigint generated always as identity primary key,
    program_id uuid not null references program,
    key_id uuid not null references program_key,
    at timestamptz not null,
    method text not null,
    place text not null,
    status int not null,
    took_ms int not null,
    came_from text not null,
    request_id text not null
);
create index program_use_program on program_use (program_id, id);
create index program_use_key on program_use (key_id);
create index program_use_at on program_use (at);

-- what was in signed requests lately, so that none is sent twice
create table program_nonce (
    key_id uuid not null references program_key,
    nonce text not null,
    at timestamptz not null,
    primary key (key_id, nonce)
);
create index program_nonce_at on program_nonce (at);

-- what was answered to requests with an Idempotency-Key
create table kept_answer (
    who text not null,
    key text not null,
    asked text not null,
    state text not null,
    begun_at timestamptz not null,
    status int,
    headers jsonb,
    body bytea,
    primary key (who, key)
);
create index kept_answer_begun on kept_answer (begun_at);

-- what other programs are told of
create table webhook (
    id uuid primary key,
    title text not null,
    terms jsonb not null,
    paused boolean not null default false,
    -- how often in a row its program did not answer at all, and until when nothing is sent therefore
    failures int not null default 0,
    waits_until timestamptz not null default 'epoch',
    revision int not null,
    created_by text not null,
    created_at timestamptz not null,
    changed_at timestamptz not null,
    ended_at timestamptz
);
create index webhook_title on webhook (title, id);
create table webhook_secret (
    id uuid primary key,
    webhook_id uuid not null references webhook,
    secret text not null,
    created_at timestamptz not null,
    ends_at timestamptz
);
create index webhook_secret_webhook on webhook_secret (webhook_id, created_at);
create table webhook_notice (
    id uuid primary key,
    number bigint generated always as identity unique,
    webhook_id uuid not null references webhook,
    kind text not null,
    subject text not null,
    body text not null,
    created_at timestamptz not null,
    -- since when it is tried
    asked_at timestamptz not null,
    state text not null,
    tries int not null,
    next_at timestamptz not null
);
create index webhook_notice_asked on webhook_notice (asked_at) where state = 'WAITING';
create index webhook_notice_webhook on webhook_notice (webhook_id, number);
create index webhook_notice_state on webhook_notice (webhook_id, state, number);
create index webhook_notice_due on webhook_notice (webhook_id, next_at) where state = 'WAITING';
create index webhook_notice_created on webhook_notice (created_at) where state <> 'WAITING';
create table webhook_try (
    notice_id uuid not null references webhook_notice on delete cascade,
    number int not null,
    at timestamptz not null,
    status int,
    fault text not null,
    answer text not null,
    took_ms int not null,
    primary key (notice_id, number)
);
