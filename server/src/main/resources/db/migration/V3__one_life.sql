-- what an agreement is found by besides its wording: people, data, and what parties completed, as they are now
alter table agreement add column facts text not null default '';
drop index agreement_search;
alter table agreement drop column search;
alter table agreement add column search tsvector
    generated always as (to_tsvector('simple', facts || ' ' || words)) stored;
create index agreement_search on agreement using gin (search);
create index agreement_without_facts on agreement (id) where facts = '';

-- a request leads to one agreement; to another one only after the first has ended without being completed
alter table agreement add column attempt integer not null default 1;
update agreement set attempt = counted.place from (
    select id, row_number() over (partition by request_number order by number) as place from agreement
) counted where counted.id = agreement.id;
create unique index agreement_of_request on agreement (request_number, attempt);
alter table intake_request add column attempts integer not null default 0;
update intake_request set attempts = (
    select count(*) from agreement where agreement.request_number = intake_request.number
);

-- a form that is sent twice, after a lost answer, is one request
alter table intake_request add column form_key uuid unique;

-- a mail whose cause was over before it could go out
alter table mail drop constraint mail_state_check;
alter table mail add constraint mail_state_check check (state in ('WAITING', 'SENT', 'FAILED', 'NOT_NEEDED'));

create index intake_request_waiting on intake_request (created_at desc) where agreement_number is null;
create index job_failure_failed on job_failure (failed_at desc);

-- guessing is slowed down by address and account; nobody is locked out any more
alter table account drop column failed_attempts;
alter table account drop column locked_until;

-- every state of every document by its hash: whose a file is that somebody brings
create table document_state (
    sha256 text not null,
    agreement_id uuid not null references agreement,
    sequence integer not null,
    primary key (sha256, agreement_id, sequence)
);
insert into document_state (sha256, agreement_id, sequence)
    select entry::json -> 'event' ->> 'pdf', agreement_id, sequence from agreement_event
    where type in ('Generated', 'HouseSealed', 'Sealed', 'Completed');

-- an outside service that is away: told once, however many jobs wait for it
create table outage (
    service text primary key,
    reason text not null,
    since timestamptz not null
);
