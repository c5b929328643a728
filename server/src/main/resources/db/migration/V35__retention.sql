-- how long a template's agreements are kept after they have ended
alter table template add column retention jsonb not null default '{"completed": 0, "inVain": 0, "yearEnd": false}';
alter table template add column retention_edition integer not null default 0;
create index agreement_template_since on agreement (template_id, state, since, id);

-- why an agreement is kept however long it has been kept already
create table legal_hold (
    id uuid primary key,
    agreement_id uuid not null references agreement,
    reason text not null,
    placed_by text not null,
    placed_at timestamptz not null,
    lifted_by text,
    lifted_at timestamptz,
    lifted_because text not null default ''
);
create index legal_hold_of on legal_hold (agreement_id, placed_at);
create index legal_hold_in_force on legal_hold (placed_at, id) where lifted_at is null;
create index legal_hold_keeps on legal_hold (agreement_id) where lifted_at is null;

-- agreements of which somebody has confirmed that they are destroyed; each can be taken back until it goes
create table destruction (
    agreement_id uuid primary key references agreement,
    kept_until date not null,
    rule jsonb not null,
    copies boolean not null,
    confirmed_by text not null,
    confirmed_at timestamptz not null,
    goes_at timestamptz not null,
    waits_for text not null default ''
);
create index destruction_goes on destruction (goes_at, agreement_id);

-- what stays of an agreement that was destroyed: the last link of its chain, under the office's signature
create table tombstone (
    agreement_id uuid primary key,
    number text collate "C" not null unique,
    template_id uuid not null,
    statement text not null,
    seal text not null,
    events integer not null,
    last_hash text not null,
    hash text not null,
    destroyed_at timestamptz not null,
    made_in xid8 not null default pg_current_xact_id()
);
create index tombstone_destroyed on tombstone (destroyed_at, agreement_id);
create index tombstone_template on tombstone (template_id, destroyed_at, agreement_id);

-- there is one only of an agreement that was confirmed, that nobody holds, and whose last event it is tied to
create function found_tombstone() returns trigger language plpgsql as $$
begin
    perform 1 from agreement where id = new.agreement_id and number = new.number
        and state in ('COMPLETED', 'DECLINED', 'WITHDRAWN', 'EXPIRED') for update;
    if not found then raise exception 'no agreement that has ended'; end if;
    perform 1 from destruction where agreement_id = new.agreement_id and goes_at <= new.destroyed_at;
    if not found then raise exception 'nobody has confirmed that this agreement is destroyed'; end if;
    perform 1 from legal_hold where agreement_id = new.agreement_id and lifted_at is null;
    if found then raise exception 'a legal hold keeps this agreement'; end if;
    perform 1 from agreement_event where agreement_id = new.agreement_id
        having count(*) = new.events and max(sequence) = new.events;
    if not found then raise exception 'a tombstone counts all events'; end if;
    perform 1 from agreement_event where agreement_id = new.agreement_id and sequence = new.events
        and hash = new.last_hash;
    if not found then raise exception 'a tombstone is tied to the last event'; end if;
    new.made_in := pg_current_xact_id();
    return new;
end $$;
create trigger tombstone_founded before insert on tombstone for each row execute function found_tombstone();

create function keep_tombstone() returns trigger language plpgsql as $$
begin
    raise exception 'what stays of an agreement is never changed or removed';
end $$;
create trigger tombstone_append_only before update or delete on tombstone
    for each row execute function keep_tombstone();
create trigger tombstone_no_truncate before truncate on tombstone
    for each statement execute function keep_tombstone();

-- the one way in which events go: in the transaction that puts a tombstone in their place
create or replace function refuse_change() returns trigger language plpgsql as $$
begin
    if tg_op = 'DELETE' and tg_level = 'ROW' then
        perform 1 from tombstone where agreement_id = old.agreement_id and made_in = pg_current_xact_id();
        if found then return old; end if;
    end if;
    raise exception 'events of agreements are never changed or removed';
end $$;

-- whose rows of a table became which request
create index brought_row_request on brought_row ((plan ->> 'request')) where plan ->> 'request' is not null;
create index followed_record_agreement on followed_record (agreement) where agreement <> '';
create index record_step_agreement on record_step (agreement) where agreement <> '';
create index webhook_notice_subject on webhook_notice (subject);
create index finished_file_agreement on finished_file (agreement_number) where agreement_number <> '';

-- copies that were filed outside and are taken back
alter table filing drop constraint filing_state_check;
alter table filing add constraint filing_state_check
    check (state in ('WAITING', 'FILED', 'FAILED', 'LEAVING', 'LEFT'));
drop index filing_due;
create index filing_due on filing (target_id, next_at) where state in ('WAITING', 'LEAVING');
create index filing_of on filing (agreement_id);

-- what went to an address, for whoever looks for all that is kept of a person
create index mail_to on mail (lower(recipient), agreement_id);
