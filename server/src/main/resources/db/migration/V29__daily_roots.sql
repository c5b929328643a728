-- what was time-stamped, as it was stamped: one hash over the newest event of every agreement, tied to the root before
create table daily_root (
    number bigint primary key check (number > 0),
    statement text not null,
    token bytea not null
);

-- how far an agreement had come; only where that had changed since the root before
create table daily_root_leaf (
    agreement text collate "C" not null,
    root bigint not null references daily_root,
    events integer not null,
    hash text not null,
    primary key (agreement, root)
);
create index daily_root_leaf_root on daily_root_leaf (root, agreement);

create function refuse_change_of_roots() returns trigger language plpgsql as $$
begin
    raise exception 'daily roots are never changed or removed';
end $$;
create trigger daily_root_append_only before update or delete on daily_root
    for each row execute function refuse_change_of_roots();
create trigger daily_root_no_truncate before truncate on daily_root
    for each statement execute function refuse_change_of_roots();
create trigger daily_root_leaf_append_only before update or delete on daily_root_leaf
    for each row execute function refuse_change_of_roots();
create trigger daily_root_leaf_no_truncate before truncate on daily_root_leaf
    for each statement execute function refuse_change_of_roots();

-- what the last check of all that is kept against the roots came to
create table root_check (
    checked_at timestamptz not null,
    findings integer not null,
    said text[] not null
);
