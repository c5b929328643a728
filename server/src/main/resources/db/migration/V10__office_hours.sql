-- how those whose turn it is are chased has grown beyond two numbers
alter table agreement add column terms jsonb;
update agreement set terms = jsonb_build_object(
    'reminders', jsonb_build_object(
        'gaps', case when first_reminder_days = 0 then '[]'::jsonb else jsonb_build_array(first_reminder_days) end,
        'thenEvery', every_days),
    'warnDays', 0,
    'invitationsInHours', false);
alter table agreement alter column terms set not null;
alter table agreement drop column first_reminder_days;
alter table agreement drop column every_days;
-- what time alone does next is a reminder, a warning or the end
alter table agreement add column due_kind text;
-- what is out is looked at once, and has its own time from then on
update agreement set due_at = now() where state = 'OUT';

-- when the office works; a server whose office never said so has the usual hours
create table office_calendar (
    id integer primary key default 1 check (id = 1),
    working_days text not null,
    opens time not null,
    closes time not null,
    holidays jsonb not null,
    changed_by text not null,
    changed_at timestamptz not null,
    revision integer not null
);

-- a link to a signed copy holds for some time; one to a part of an open agreement holds until that ends
alter table link add column valid_until timestamptz;
-- a mail that waits for the office's hours
alter table mail add column goes_at timestamptz;
