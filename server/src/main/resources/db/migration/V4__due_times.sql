-- when time alone next makes something happen to an agreement: a reminder, or its end
alter table agreement add column due_at timestamptz;
-- what is out is looked at once, and has its own time from then on
update agreement set due_at = now() where state = 'OUT';
create index agreement_due on agreement (due_at) where due_at is not null;
