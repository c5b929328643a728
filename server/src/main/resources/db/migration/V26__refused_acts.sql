-- a link that was ended is known for longer, so that it is told for which part it is tried once more
alter table link add column ended_at timestamptz;

-- what was tried by a participant's link and refused; one row for each reason, however often
create table refused_act (
    agreement_id uuid not null references agreement,
    party text not null,
    code text not null,
    sentence text not null,
    came_from text not null,
    times int not null,
    first_at timestamptz not null,
    last_at timestamptz not null,
    primary key (agreement_id, party, code)
);
