-- one time stamp over many things (RFC 4998): files, daily roots, or time stamps that it renews
create table archive_stamp (
    number bigint primary key check (number > 0),
    algorithm text not null,
    imprint bytea not null,
    token bytea not null,
    stamped_at timestamptz not null,
    stamped_by text not null,
    holds_until timestamptz not null,
    files integer not null,
    roots integer not null,
    stamps integer not null
);

-- how a file of an agreement comes to a stamp; where there are several, each later one is over the file and all before
create table stamped_file (
    agreement_id uuid not null references agreement,
    file text not null,
    stamp bigint not null references archive_stamp,
    path bytea not null,
    primary key (agreement_id, file, stamp)
);
create index stamped_file_stamp on stamped_file (stamp);

create table stamped_root (
    root bigint not null,
    part text not null check (part in ('STATEMENT', 'TOKEN')),
    stamp bigint not null references archive_stamp,
    path bytea not null,
    primary key (root, part, stamp)
);
create index stamped_root_stamp on stamped_root (stamp);

-- the token as it was renewed, with the revocation lists of that day
create table renewed_stamp (
    stamp bigint primary key references archive_stamp,
    renewed_by bigint not null references archive_stamp,
    token bytea not null,
    path bytea not null
);
create index renewed_stamp_by on renewed_stamp (renewed_by);

-- stamps on which nothing rests any more
create table stamp_let_go (
    stamp bigint primary key references archive_stamp
);

create table stamp_policy (
    one boolean primary key default true check (one),
    policy jsonb not null,
    edition integer not null
);

-- what the last look at what is due came to
create table stamp_round (
    one boolean primary key default true check (one),
    looked_at timestamptz not null,
    said text[] not null,
    -- when the service was asked in vain for a certificate that ends later, and when the one that it has ends
    no_newer_at timestamptz,
    no_newer_until timestamptz
);

create function refuse_change_of_stamps() returns trigger language plpgsql as $$
begin
    raise exception 'archive time stamps are never changed or removed';
end $$;
create trigger archive_stamp_append_only before update or delete on archive_stamp
    for each row execute function refuse_change_of_stamps();
create trigger archive_stamp_no_truncate before truncate on archive_stamp
    for each statement execute function refuse_change_of_stamps();
create trigger renewed_stamp_append_only before update or delete on renewed_stamp
    for each row execute function refuse_change_of_stamps();
create trigger renewed_stamp_no_truncate before truncate on renewed_stamp
    for each statement execute function refuse_change_of_stamps();
create trigger stamped_root_append_only before update or delete on stamped_root
    for each row execute function refuse_change_of_stamps();
create trigger stamped_root_no_truncate before truncate on stamped_root
    for each statement execute function refuse_change_of_stamps();

-- what is known of a file goes with its agreement, in the transaction that puts a tombstone in its place
create function keep_stamped_file() returns trigger language plpgsql as $$
begin
    if tg_op = 'DELETE' and tg_level = 'ROW' then
        perform 1 from tombstone where agreement_id = old.agreement_id and made_in = pg_current_xact_id();
        if found then return old; end if;
    end if;
    raise exception 'archive time stamps are never changed or removed';
end $$;
create trigger stamped_file_append_only before update or delete on stamped_file
    for each row execute function keep_stamped_file();
create trigger stamped_file_no_truncate before truncate on stamped_file
    for each statement execute function keep_stamped_file();
