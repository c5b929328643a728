-- templates under one name, and who may use, prepare and see them; what stands in none is open to everybody whose role lets them
create table template_group (
    id uuid primary key,
    name text not null,
    revision integer not null default 0,
    -- what everybody may
    everybody text[] not null check (everybody <@ array['USE', 'PREPARE', 'SEE']::text[])
);
create unique index template_group_by_name on template_group (lower(name));

-- a right that goes with the last who had it is nobody's, and never everybody's
create table template_group_may (
    group_id uuid not null references template_group on delete cascade,
    may text not null check (may in ('USE', 'PREPARE', 'SEE')),
    team_id uuid references team on delete cascade,
    account_id uuid references account on delete cascade,
    check (num_nonnulls(team_id, account_id) = 1)
);
create unique index template_group_may_team on template_group_may (group_id, may, team_id) where team_id is not null;
create unique index template_group_may_account on template_group_may (group_id, may, account_id) where account_id is not null;
create index template_group_may_by_team on template_group_may (team_id);
create index template_group_may_by_account on template_group_may (account_id);

-- a group with templates can't be taken out, which would open them
alter table template add column group_id uuid references template_group;
create index template_of_group on template (group_id) where group_id is not null;
