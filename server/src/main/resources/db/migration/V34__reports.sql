-- what reports count: how each agreement ended, and where the time of those went that were completed; a projection of their events
create table ended_agreement (
    agreement_id uuid primary key references agreement,
    template_id uuid not null references template,
    number text not null,
    title text not null,
    template_name text not null,
    how text not null,
    ended_at timestamptz not null,
    part text not null,
    ended_by text not null,
    reason text not null
);
create index ended_agreement_when on ended_agreement (ended_at, agreement_id) include (template_id, how);
create index ended_agreement_template on ended_agreement (template_id, ended_at, agreement_id) include (how);
create index ended_agreement_in_vain on ended_agreement (ended_at, agreement_id) where how <> 'COMPLETED';
create index ended_agreement_in_vain_of on ended_agreement (template_id, ended_at, agreement_id) where how <> 'COMPLETED';

-- in milliseconds; party is empty for what isn't one part's turn
create table time_spent (
    agreement_id uuid not null references agreement,
    template_id uuid not null references template,
    phase text not null,
    party text not null,
    label text not null,
    stage integer not null,
    ended_at timestamptz not null,
    spent bigint not null,
    primary key (agreement_id, phase, party)
);
create index time_spent_when on time_spent (phase, ended_at) include (template_id, spent);
create index time_spent_template on time_spent (template_id, ended_at) include (phase, party, label, stage, spent);

create index intake_request_counted on intake_request (created_at, template_id) include (stage, form_link_id);
