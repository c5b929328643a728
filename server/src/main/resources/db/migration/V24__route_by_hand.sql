-- which event asked for a link: those before a new link or another person lead nowhere
alter table link add column asked_by int not null default 0;
alter table link add column by_account boolean not null default false;
create index link_agreement_party on link (agreement_id, party);

-- agreements with an address that takes no mail
alter table agreement add column undelivered boolean not null default false;
create index agreement_undelivered on agreement (changed_at desc) where undelivered;

-- agreements in which somebody waits for an answer of the office's
alter table agreement add column asked boolean not null default false;
create index agreement_asked on agreement (changed_at desc) where asked;

-- a mail that came back, and why
alter table mail add column returned_at timestamptz;
alter table mail add column returned_because text;
alter table mail drop constraint mail_state_check;
alter table mail add constraint mail_state_check
    check (state in ('WAITING', 'SENT', 'FAILED', 'NOT_NEEDED', 'RETURNED'));

-- what mails look like; one row at most
create table mail_look (
    one boolean primary key default true check (one),
    colour text not null check (colour ~ '^#[0-9a-f]{6}$'),
    logo text,
    logo_type text
);

-- what the office says in its mails instead of the usual words
create table mail_words (
    occasion text not null,
    language text not null,
    subject text not null,
    words text not null,
    primary key (occasion, language)
);

-- whom agreements wait for; a projection of their events
create table waited_for (
    agreement_id uuid not null references agreement,
    party text not null,
    mail text not null,
    since timestamptz not null,
    primary key (agreement_id, party)
);
create index waited_for_mail on waited_for (mail, since);
-- what is out is projected anew at the next start
update agreement set facts = '' where state = 'OUT';
