-- what somebody who takes part has typed and not handed in, under their link and readable with it alone
create table begun_answers (
    token_hash text primary key references link on delete cascade,
    answers bytea not null,
    kept_at timestamptz not null
);
