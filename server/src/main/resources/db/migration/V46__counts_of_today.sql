-- what doesn't wait for the office is counted by an index alone, also for who doesn't see all of it
create index agreement_quiet on agreement (state, changed_at, id) include (template_id) where attention is null;
