-- the office's own tables: what they hold is settled by the office
create table register (
    id uuid primary key,
    name text not null unique,
    title text not null,
    terms jsonb not null,
    revision int not null,
    created_at timestamptz not null,
    changed_at timestamptz not null
);
create index register_title on register (title, id);
create index register_changed on register (changed_at, id);

-- a number for each column, so that cells need not say its name
create table register_column (
    id int generated always as identity primary key,
    register_id uuid not null references register,
    name text not null,
    unique (register_id, name)
);

create table register_row (
    id uuid primary key,
    register_id uuid not null references register,
    "values" jsonb not null,
    label text not null,
    words text not null,
    search tsvector generated always as (to_tsvector('simple', words)) stored,
    revision int not null,
    gone boolean not null default false,
    created_at timestamptz not null,
    changed_at timestamptz not null
);
create index register_row_changed on register_row (register_id, changed_at, id) where not gone;
create index register_row_gone on register_row (register_id, changed_at, id) where gone;
create index register_row_search on register_row using gin (search) with (fastupdate = off);
create trigger register_row_files after insert or update or delete on register_row
    for each row execute function refer_to_files('id', 'replaces');

-- what rows are sorted, narrowed and told apart by; rows that were taken out have none
create table register_cell (
    column_id int not null references register_column,
    row_id uuid not null references register_row,
    -- letter by letter, whatever language the database sorts in
    sort_key text collate "C" not null,
    taken text collate "C",
    target uuid references register_row,
    primary key (row_id, column_id)
);
create index register_cell_sorted on register_cell (column_id, sort_key, row_id);
create unique index register_cell_taken on register_cell (column_id, taken) where taken is not null;
create index register_cell_target on register_cell (target, column_id) where target is not null;

-- what was changed in rows: written down once
create table register_change (
    id bigint generated always as identity primary key,
    row_id uuid not null references register_row,
    at timestamptz not null,
    by_name text not null,
    how text not null,
    changes jsonb not null
);
create index register_change_row on register_change (row_id, id);
create trigger register_change_files after insert on register_change
    for each row execute function refer_to_files('row_id', 'adds');
create function keep_register_change() returns trigger language plpgsql as $$
begin
    raise exception 'what was changed in a register stays written down';
end $$;
create trigger register_change_kept before update or delete on register_change
    for each row execute function keep_register_change();
create trigger register_change_kept_whole before truncate on register_change
    for each statement execute function keep_register_change();

-- tables that were brought in, for a register or for a run
create table brought_table (
    id uuid primary key,
    name text not null,
    file text not null,
    purpose text not null,
    subject text not null,
    settings jsonb not null,
    recognised jsonb not null,
    heads jsonb not null,
    state text not null,
    reason text not null default '',
    done int not null default 0,
    revision int not null,
    created_by text not null,
    created_by_mail text not null,
    number int not null unique,
    created_at timestamptz not null,
    changed_at timestamptz not null
);
create sequence brought_table_number;
create index brought_table_of on brought_table (purpose, subject, created_at desc, id);
create trigger brought_table_files after insert or update or delete on brought_table
    for each row execute function refer_to_files('id', 'replaces');

create table brought_row (
    table_id uuid not null references brought_table on delete cascade,
    number int not null,
    cells jsonb not null,
    mended boolean not null default false,
    outcome text not null default 'UNCHECKED',
    told_apart text,
    belongs_to int,
    plan jsonb not null default '{}',
    faults jsonb not null default '{}',
    primary key (table_id, number)
);
create index brought_row_outcome on brought_row (table_id, outcome, number);
create index brought_row_parts on brought_row (table_id, belongs_to) where belongs_to is not null;
create index brought_row_key on brought_row (table_id, told_apart) where told_apart is not null;

-- which field a column was joined to, for the next table of its kind
create table kept_join (
    purpose text not null,
    subject text not null,
    head text not null,
    field text not null,
    primary key (purpose, subject, head)
);

-- rows of registers that answers were taken from, and what they said then
create table taken_row (
    request_id uuid not null references intake_request,
    question text not null,
    row_id uuid not null references register_row,
    said jsonb not null,
    primary key (request_id, question, row_id)
);
create index taken_row_row on taken_row (row_id, request_id);
alter table begun_form add column taken jsonb not null default '[]';
