-- forms that somebody has begun and not handed in yet, as they are typed
create table begun_form (
    id uuid primary key,
    owner text not null,
    template_version_id uuid not null references template_version,
    template_id uuid not null references template,
    "values" jsonb not null,
    people jsonb not null,
    begun_at timestamptz not null,
    changed_at timestamptz not null
);
create index begun_form_owner on begun_form (owner, changed_at desc, id);
create trigger begun_form_files after insert or update or delete on begun_form
    for each row execute function refer_to_files('id', 'replaces');
