-- what agreements are found by, apart from what lists show of them; marks are what they are narrowed by, in the same index
create table agreement_text (
    agreement_id uuid primary key references agreement,
    marks text[] not null,
    facts text not null default '',
    words text not null default '',
    search tsvector generated always as (to_tsvector('simple', facts || ' ' || words)) stored
)
-- text and words are kept aside, so that many rows stand on a page and those that have a word are soon counted
with (toast_tuple_target = 128);
alter table agreement_text alter column facts set storage external;
insert into agreement_text (agreement_id, marks, facts, words)
select id, array['state ' || state], facts, words from agreement;
create index agreement_text_search on agreement_text using gin (search, marks);
create index agreement_text_without_facts on agreement_text (agreement_id) where facts = '';
alter table agreement drop column search;
alter table agreement drop column facts;
alter table agreement drop column words;

-- lists go on by the last row's place in their order
drop index agreement_changed;
create index agreement_changed on agreement (changed_at, id);
-- in each order those of one state, whether they are many or few
drop index agreement_state;
create index agreement_state_changed on agreement (state, changed_at, id);
create index agreement_state_number on agreement (state, number, id);
create index agreement_state_title on agreement (state, title, id);
create index agreement_state_template on agreement (state, template_name, id);
create index agreement_state_since on agreement (state, since, id);
-- by what a few are sorted, without their rows
create index agreement_orders on agreement (id) include (number, title, template_name, since, changed_at);
