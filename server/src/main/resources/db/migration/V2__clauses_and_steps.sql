create table clause (
    id uuid primary key,
    name text not null unique,
    changed_at timestamptz not null
);
create index clause_changed on clause (changed_at desc);

create table clause_version (
    id uuid primary key,
    clause_id uuid not null references clause,
    number integer not null,
    word_file text not null,
    note text not null,
    created_by text not null,
    created_at timestamptz not null,
    unique (clause_id, number)
);

alter table template add column retired_at timestamptz;
create index template_in_use on template (changed_at desc) where retired_at is null;

alter table template_version add column published_at timestamptz;
alter table template_version add column published_by text;

-- what a draft's wording was before each change of it, so that changes can be taken back
create table template_step (
    version_id uuid not null references template_version,
    number integer not null,
    word_file text not null,
    content jsonb not null,
    what text not null,
    done_by text not null,
    done_at timestamptz not null,
    primary key (version_id, number)
);
