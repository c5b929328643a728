-- how those who take part show who they are; no secret is kept but as a hash

-- a code that was asked for in a browser; it has no hash until it is sent
create table identity_code (
    agreement_id uuid not null references agreement,
    party text not null,
    browser_hash text not null,
    asked_by integer not null,
    code_hash text,
    expires_at timestamptz,
    primary key (agreement_id, party)
);

-- the browsers in which somebody has shown who they are
create table identity_shown (
    agreement_id uuid not null references agreement,
    party text not null,
    browser_hash text not null,
    shown_by text not null,
    valid_until timestamptz not null,
    primary key (agreement_id, party, browser_hash)
);

create table agreed_word (
    agreement_id uuid not null references agreement,
    party text not null,
    word_hash text not null,
    primary key (agreement_id, party)
);

-- an agreement with somebody who gave too many wrong answers and waits for the office
alter table agreement add column kept_out boolean not null default false;
create index agreement_kept_out on agreement (changed_at desc) where kept_out;

-- text messages go out as mails do; what their carrier calls them
alter table mail add column by_text boolean not null default false;
alter table mail add column carrier_id text;
