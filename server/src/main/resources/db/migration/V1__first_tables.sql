create table account (
    id uuid primary key,
    mail text not null unique,
    name text not null,
    password_hash text not null,
    role text not null check (role in ('COORDINATOR', 'READER')),
    failed_attempts integer not null default 0,
    locked_until timestamptz
);

create table template (
    id uuid primary key,
    name text not null,
    changed_at timestamptz not null
);
create index template_changed on template (changed_at desc);

create table template_version (
    id uuid primary key,
    template_id uuid not null references template,
    number integer not null,
    state text not null check (state in ('DRAFT', 'PUBLISHED')),
    word_file text not null,
    content jsonb not null,
    revision integer not null,
    unique (template_id, number)
);

create sequence request_number;
create table intake_request (
    id uuid primary key,
    number text not null unique,
    template_version_id uuid not null references template_version,
    values jsonb not null,
    people jsonb not null,
    created_by text not null,
    created_at timestamptz not null,
    agreement_number text
);
create index intake_request_created on intake_request (created_at desc);

create sequence agreement_number;
create table agreement (
    id uuid primary key,
    number text not null unique,
    title text not null,
    template_version_id uuid not null references template_version,
    template_name text not null,
    request_number text not null,
    state text not null,
    since timestamptz not null,
    changed_at timestamptz not null,
    blind jsonb not null,
    expires_at timestamptz,
    first_reminder_days integer not null,
    every_days integer not null,
    words text not null default '',
    search tsvector generated always as (to_tsvector('simple', words)) stored
);
create index agreement_changed on agreement (changed_at desc);
create index agreement_state on agreement (state, changed_at desc);
create index agreement_search on agreement using gin (search);

create table agreement_event (
    agreement_id uuid not null references agreement,
    sequence integer not null,
    type text not null,
    entry text not null,
    hash text not null,
    primary key (agreement_id, sequence)
);

-- the audit trail: the database itself refuses to change or remove what happened
create function refuse_change() returns trigger language plpgsql as $$
begin
    raise exception 'events of agreements are never changed or removed';
end $$;
create trigger agreement_event_append_only before update or delete on agreement_event
    for each row execute function refuse_change();
create trigger agreement_event_no_truncate before truncate on agreement_event
    for each statement execute function refuse_change();

create table link (
    token_hash text primary key,
    agreement_id uuid not null references agreement,
    party text not null,
    created_at timestamptz not null
);
create index link_agreement on link (agreement_id);

create table mail (
    id uuid primary key,
    agreement_id uuid not null references agreement,
    kind text not null,
    party text not null,
    recipient text not null,
    subject text not null,
    state text not null check (state in ('WAITING', 'SENT', 'FAILED')),
    created_at timestamptz not null,
    sent_at timestamptz
);
create index mail_created on mail (created_at desc);
create index mail_agreement on mail (agreement_id);

create table job_failure (
    id uuid primary key,
    task text not null,
    instance text not null,
    agreement_id uuid references agreement,
    reason text not null,
    failed_at timestamptz not null,
    unique (task, instance)
);

-- db-scheduler's table, as its documentation gives it
create table scheduled_tasks (
    task_name text not null,
    task_instance text not null,
    task_data bytea,
    execution_time timestamptz not null,
    picked boolean not null,
    picked_by text,
    last_success timestamptz,
    last_failure timestamptz,
    consecutive_failures integer,
    last_heartbeat timestamptz,
    version bigint not null,
    priority smallint,
    primary key (task_name, task_instance)
);
create index scheduled_tasks_execution_time on scheduled_tasks (execution_time);
create index scheduled_tasks_heartbeat on scheduled_tasks (last_heartbeat);

-- Spring Session's tables, as its schema file gives them
create table spring_session (
    primary_id char(36) not null primary key,
    session_id char(36) not null unique,
    creation_time bigint not null,
    last_access_time bigint not null,
    max_inactive_interval int not null,
    expiry_time bigint not null,
    principal_name varchar(100)
);
create index spring_session_expiry on spring_session (expiry_time);
create index spring_session_principal on spring_session (principal_name);
create table spring_session_attributes (
    session_primary_id char(36) not null references spring_session (primary_id) on delete cascade,
    attribute_name varchar(200) not null,
    attribute_bytes bytea not null,
    primary key (session_primary_id, attribute_name)
);
