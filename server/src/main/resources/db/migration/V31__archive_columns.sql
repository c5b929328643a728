-- what the archive's list shows of ended agreements beside what every agreement has: data and people, as each template says
alter table template add column columns jsonb not null default '[]';
alter table template add column columns_edition integer not null default 0;

alter table agreement add column template_id uuid references template;
update agreement a set template_id = v.template_id from template_version v where v.id = a.template_version_id;
alter table agreement alter column template_id set not null;
create index agreement_template_changed on agreement (template_id, state, changed_at, id);
update agreement_text t set marks = t.marks || ('template ' || a.template_id)
    from agreement a where a.id = t.agreement_id;

-- agreements that have ended; an edition of -1 is of an earlier version of the program and still to be gone through
create table archived (
    agreement_id uuid primary key references agreement,
    template_id uuid not null references template,
    state text not null,
    month text not null,
    edition integer not null
);
create index archived_behind on archived (template_id, edition);
insert into archived (agreement_id, template_id, state, month, edition)
select id, template_id, state, to_char(since at time zone 'UTC', 'YYYY-MM'), -1
from agreement where state in ('COMPLETED', 'DECLINED', 'WITHDRAWN', 'EXPIRED');

create table archive_value (
    agreement_id uuid not null references agreement,
    name text not null,
    template_id uuid not null,
    state text not null,
    text text not null,
    raw text not null,
    sort_key text collate "C" not null,
    number numeric,
    unit text not null,
    heading text,
    primary key (agreement_id, name)
);
create index archive_value_order on archive_value (template_id, state, name, sort_key, agreement_id)
    include (heading, number, unit);

-- how many there are under each heading and what their numbers come to, added up as agreements end; in shares, so that
-- agreements that end at the same moment don't wait for one another
create table archive_sum (
    state text not null,
    grouped text not null,
    template_id uuid not null references template,
    heading text collate "C" not null,
    summed text not null,
    unit text not null,
    share smallint not null,
    many bigint not null,
    total numeric not null,
    primary key (state, grouped, template_id, heading, summed, unit, share)
);

-- ways to look at the archive that somebody keeps; nobody's is everybody's
create table archive_view (
    id uuid primary key,
    name text not null,
    owner text,
    template_id uuid references template,
    state text not null,
    content jsonb not null,
    usual boolean not null default false,
    changed_at timestamptz not null
);
create index archive_view_owner on archive_view (owner, name, id);
create unique index archive_view_usual on archive_view (template_id) where usual;
