-- forms that are shared by a link
create table form_link (
    id uuid primary key,
    template_id uuid not null references template,
    title text not null,
    token text not null unique,
    secret text not null,
    word_hash text,
    closes_at timestamptz,
    most integer,
    taken integer not null default 0,
    closed boolean not null default false,
    terms jsonb not null,
    created_by text not null,
    created_at timestamptz not null
);
create index form_link_created on form_link (created_at desc, id);
create index form_link_template on form_link (template_id, created_at desc);

-- who asked by such a form, and by what they look up where it stands
alter table intake_request add column form_link_id uuid references form_link;
alter table intake_request add column asker_name text not null default '';
alter table intake_request add column asker_mail text not null default '';
create index intake_request_form_link on intake_request (form_link_id);
create table request_link (
    secret_hash text primary key,
    request_id uuid not null references intake_request,
    created_at timestamptz not null
);
create index request_link_request on request_link (request_id);

-- a form that its asker goes on with by a mailed link
create table left_form (
    id uuid primary key,
    form_link_id uuid not null references form_link,
    form_key uuid not null,
    secret_hash text unique,
    answers jsonb not null,
    language text not null,
    left_at timestamptz not null,
    until timestamptz not null
);
create index left_form_until on left_form (until);
create trigger left_form_files after insert or update or delete on left_form
    for each row execute function refer_to_files('id', 'replaces');

-- mail about what is no agreement yet
alter table mail alter column agreement_id drop not null;
alter table mail add column about uuid;
alter table mail add constraint mail_about_something check (agreement_id is not null or about is not null);
create index mail_about on mail (about);

-- links that were given to somebody who came from a form
alter table link add column by_form boolean not null default false;
