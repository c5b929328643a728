-- people of the office: what they may, how they came in, whether they still may
alter table account add column roles text[] not null default '{}';
-- who could do everything until now can also say who may
update account set roles = case when role = 'COORDINATOR' then array['ADMINISTRATOR', 'COORDINATOR'] else array[role] end;
alter table account drop column role;
alter table account alter column roles drop default;
alter table account add constraint account_roles check
    (roles <@ array['ADMINISTRATOR', 'COORDINATOR', 'APPROVER', 'REQUESTER', 'READER']::text[] and cardinality(roles) > 0);
alter table account alter column password_hash drop not null;
alter table account add column made_at timestamptz not null default now();
alter table account add column joined_at timestamptz;
update account set joined_at = made_at;
alter table account add column signed_in_at timestamptz;
alter table account add column closed_at timestamptz;
alter table account add column revision integer not null default 0;
alter table account add column one_time_secret text;
alter table account add column one_time_since timestamptz;
alter table account add column one_time_step bigint not null default 0;
create index account_by_name on account (name, id);
create index account_by_mail on account (mail, id);
create index account_by_sign_in on account (signed_in_at, id);

-- ways in that are mailed: to who is invited, and to who has forgotten the password
create table account_link (
    secret_hash text primary key,
    account_id uuid not null references account on delete cascade,
    made_at timestamptz not null,
    ends_at timestamptz not null
);
create index account_link_of on account_link (account_id);

-- codes for who has lost the second factor; each holds once
create table recovery_code (
    account_id uuid not null references account on delete cascade,
    code_hash text not null,
    primary key (account_id, code_hash)
);

-- WebAuthn credentials
create table passkey (
    id uuid primary key,
    account_id uuid not null references account on delete cascade,
    title text not null,
    credential_id bytea not null unique,
    attested bytea not null,
    signatures bigint not null,
    made_at timestamptz not null,
    used_at timestamptz
);
create index passkey_of on passkey (account_id, made_at);

-- who needs more than a password; there is one row
create table entry_rule (
    id integer primary key check (id = 1),
    second_factor text[] not null default '{}'
);
insert into entry_rule (id) values (1);

-- a person's account at a provider of identities (OpenID Connect Core 1.0, § 2)
create table identity (
    issuer text not null,
    subject text not null,
    account_id uuid not null references account on delete cascade,
    made_at timestamptz not null,
    primary key (issuer, subject)
);
create index identity_of on identity (account_id);

-- people of the office under one name
create table team (
    id uuid primary key,
    name text not null,
    revision integer not null default 0
);
create unique index team_by_name on team (lower(name));
create table team_member (
    team_id uuid not null references team on delete cascade,
    account_id uuid not null references account on delete cascade,
    primary key (team_id, account_id)
);
create index team_member_of on team_member (account_id);

-- forms that requesters of the office find in their room, and what they asked for
alter table form_link add column colleagues boolean not null default false;
create index form_link_of_colleagues on form_link (title, id) where colleagues and not closed;
create index intake_request_asker on intake_request (lower(asker_mail), created_at, id) where asker_mail <> '' and part_of is null;

-- what was done to the office itself; the database refuses to change or remove it
create table office_act (
    id bigint generated always as identity primary key,
    at timestamptz not null,
    by_mail text not null,
    by_name text not null,
    by_program boolean not null,
    from_address text not null,
    request_id text not null,
    code text not null,
    arguments jsonb not null,
    said text not null,
    area text not null generated always as (split_part(code, '.', 2)) stored
);
create index office_act_by on office_act (by_mail, id);
create index office_act_in on office_act (area, id);
create function refuse_change_of_act() returns trigger language plpgsql as $$
begin
    raise exception 'what was done to the office is never changed or removed';
end $$;
create trigger office_act_append_only before update or delete on office_act
    for each row execute function refuse_change_of_act();
create trigger office_act_no_truncate before truncate on office_act
    for each statement execute function refuse_change_of_act();

-- addresses may be longer than the schema of Spring Session lets them
alter table spring_session alter column principal_name type text;
