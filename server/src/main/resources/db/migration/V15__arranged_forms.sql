-- in which language a form is filled: its numbers are read by it, also when somebody goes on with it
alter table begun_form add column language text not null default '';
alter table intake_request add column language text not null default '';

-- numbers that forms give; one that counts anew each year has a row for each
create table number_series (
    template_id uuid not null references template,
    field text not null,
    year integer not null,
    last_number bigint not null,
    primary key (template_id, field, year)
);
