-- other systems whose records agreements are made of
create table record_system (
    id uuid primary key,
    title text not null,
    terms jsonb not null,
    -- what it is spoken to with; empty where it asks for nothing
    credential text not null,
    paused boolean not null,
    revision int not null,
    created_by text not null,
    created_at timestamptz not null,
    changed_at timestamptz not null,
    ended_at timestamptz,
    -- when its list is looked through next, and when it was last
    look_at timestamptz not null default 'epoch',
    looked_at timestamptz,
    -- how often in a row it did not answer as it should, why, and until when it is left alone therefore
    failures int not null default 0,
    fault text not null default '',
    waits_until timestamptz not null default 'epoch'
);
create index record_system_title on record_system (title, id);

-- records that something was done with, or is to be done
create table followed_record (
    system_id uuid not null references record_system,
    key text not null,
    -- how often an agreement was made of it
    round int not null default 0,
    state text not null,
    -- the whole request of this round
    request text,
    agreement text not null default '',
    -- what can't be taken in
    faults jsonb not null default '[]',
    -- whether it is to be looked at, and when; the number tells a wish from one that came meanwhile
    look boolean not null,
    looks bigint not null default 1,
    look_at timestamptz not null,
    tries int not null default 0,
    fault text not null default '',
    created_at timestamptz not null,
    changed_at timestamptz not null,
    primary key (system_id, key)
);
create index followed_record_request on followed_record (request) where request is not null;
create index followed_record_look on followed_record (system_id, look_at) where look;
create index followed_record_changed on followed_record (system_id, changed_at, key);
create index followed_record_state on followed_record (system_id, state, changed_at, key);

-- what is written back, in order
create table record_step (
    id bigint generated always as identity primary key,
    system_id uuid not null,
    key text not null,
    round int not null,
    step text not null,
    agreement text not null,
    said text not null,
    at timestamptz not null,
    state text not null,
    tries int not null default 0,
    next_at timestamptz not null,
    asked_at timestamptz not null,
    fault text not null default '',
    done_at timestamptz,
    foreign key (system_id, key) references followed_record on delete cascade
);
create index record_step_record on record_step (system_id, key, id);
create index record_step_due on record_step (system_id, next_at) where state = 'WAITING';
create index record_step_given_up on record_step (system_id) where state = 'GIVEN_UP';

-- a second table whose rows go with those of a first one
alter table brought_table add column second jsonb;
