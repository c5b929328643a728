-- days of completed agreements that the office watches: when they end, go on, or notice has to be given
alter table template add column dates jsonb not null default '[]';
alter table template add column dates_edition integer not null default 0;
-- up to which edition all completed agreements were gone through
alter table template add column dates_done integer not null default 0;

create table key_date (
    id uuid primary key,
    agreement_id uuid not null references agreement,
    template_id uuid not null references template,
    number text not null,
    title text not null,
    template_name text not null,
    request text not null,
    owner text not null,
    owner_name text not null,
    date_key text not null,
    term integer not null,
    every integer not null,
    what text not null,
    kind text not null,
    day date not null,
    moved boolean not null default false,
    state text not null check (state in ('OPEN', 'SETTLED', 'RENEWED', 'PAST')),
    open boolean not null generated always as (state = 'OPEN') stored,
    warned integer,
    warns_on date,
    renewed_by text not null default '',
    unique (agreement_id, date_key, term)
);
create index key_date_day on key_date (open, day, id);
create index key_date_template on key_date (template_id, open, day, id);
create index key_date_owner on key_date (owner, open, day, id);
create index key_date_kind on key_date (kind, open, day, id);
create index key_date_number on key_date (number);
create index key_date_request on key_date (request);
create index key_date_warns on key_date (warns_on) where state = 'OPEN';

-- what was done about them, by whom
create table key_date_act (
    id bigint generated always as identity primary key,
    date_id uuid not null references key_date on delete cascade,
    act text not null,
    day date not null,
    note text not null,
    acted_by text not null,
    at timestamptz not null
);
create index key_date_act_of on key_date_act (date_id, id);

-- which days a mail tells of
create table key_date_mail (
    mail_about uuid not null,
    date_id uuid not null references key_date on delete cascade,
    day date not null,
    primary key (mail_about, date_id)
);
create index key_date_mail_date on key_date_mail (date_id);

create index archived_completed on archived (template_id, agreement_id) where state = 'COMPLETED';

-- which agreement a request renews
alter table intake_request add column renews text;
create index intake_request_renews on intake_request (renews) where renews is not null;
alter table begun_form add column renews text not null default '';
