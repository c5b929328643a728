-- what doesn't wait for the office is counted by an index alone
create index agreement_quiet on agreement (state, changed_at, id) where attention is null;
