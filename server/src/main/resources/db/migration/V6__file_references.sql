-- which files of the store are referred to, and from where; the tables that hold their names keep it themselves, so that no
-- program can forget it. A name is the SHA-256 of the file: what looks like one is taken for one, so too much is kept at worst.
create table file_reference (
    sha256 text not null,
    source text not null,
    owner text not null,
    primary key (source, owner, sha256)
);
create index file_reference_sha256 on file_reference (sha256);

create function file_names(said text) returns setof text language sql immutable as $$
    select distinct found[1] from regexp_matches(said, '(?<![0-9a-f])([0-9a-f]{64})(?![0-9a-f])', 'g') as found
$$;

-- arguments of the trigger: the column that names the row, and whether rows are only ever added to one owner
create function refer_to_files() returns trigger language plpgsql as $$
declare
    named text;
    adds boolean := tg_argv[1] = 'adds';
begin
    if tg_op <> 'INSERT' and not adds then
        delete from file_reference where source = tg_table_name and owner = to_jsonb(old) ->> tg_argv[0];
    end if;
    if tg_op <> 'DELETE' then
        named := to_jsonb(new) ->> tg_argv[0];
        insert into file_reference
        select name, tg_table_name, named from file_names(to_jsonb(new)::text) as name
        on conflict do nothing;
    end if;
    return null;
end $$;

create trigger template_version_files after insert or update or delete on template_version
    for each row execute function refer_to_files('id', 'replaces');
create trigger clause_version_files after insert or update or delete on clause_version
    for each row execute function refer_to_files('id', 'replaces');
create trigger intake_request_files after insert or update or delete on intake_request
    for each row execute function refer_to_files('id', 'replaces');
create trigger agreement_event_files after insert on agreement_event
    for each row execute function refer_to_files('agreement_id', 'adds');
-- steps have no name of one column; what they refer to goes when they go
alter table template_step add column named text generated always as (version_id::text || ':' || number::text) stored;
create trigger template_step_files after insert or update or delete on template_step
    for each row execute function refer_to_files('named', 'replaces');

insert into file_reference select name, 'template_version', id::text
    from template_version t, file_names(to_jsonb(t)::text) as name on conflict do nothing;
insert into file_reference select name, 'clause_version', id::text
    from clause_version t, file_names(to_jsonb(t)::text) as name on conflict do nothing;
insert into file_reference select name, 'intake_request', id::text
    from intake_request t, file_names(to_jsonb(t)::text) as name on conflict do nothing;
insert into file_reference select name, 'template_step', named
    from template_step t, file_names(to_jsonb(t)::text) as name on conflict do nothing;
insert into file_reference select name, 'agreement_event', agreement_id::text
    from agreement_event t, file_names(t.entry) as name on conflict do nothing;
