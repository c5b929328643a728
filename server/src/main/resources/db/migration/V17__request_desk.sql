-- how far a request has come, who takes care of it, and of which template it is: what lists narrow it by
alter table intake_request add column template_id uuid references template;
update intake_request r set template_id = v.template_id from template_version v where v.id = r.template_version_id;
alter table intake_request alter column template_id set not null;
alter table intake_request add column owner_mail text not null default '';
alter table intake_request add column owner_name text not null default '';
alter table intake_request add column stage text not null default 'WAITING'
    check (stage in ('WAITING', 'CHECK', 'OUT', 'DONE', 'ENDED'));
update intake_request r set stage = case
        when a.state in ('GENERATING', 'CHECK') then 'CHECK'
        when a.state in ('OUT', 'SEALING') then 'OUT'
        when a.state = 'COMPLETED' then 'DONE'
        else 'ENDED' end
    from agreement a where a.number = r.agreement_number;
create index intake_request_stage on intake_request (stage, created_at desc, id);
create index intake_request_owner on intake_request (owner_mail, created_at desc, id);
create index intake_request_template on intake_request (template_id, created_at desc, id);

-- what happened with a request, and what the office said about it
create table request_entry (
    id bigint generated always as identity primary key,
    request_id uuid not null references intake_request,
    at timestamptz not null,
    by_name text not null,
    kind text not null,
    said text not null
);
create index request_entry_request on request_entry (request_id, id);
