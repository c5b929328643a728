-- one form may feed several templates: each further agreement has a part of the request, with a number of its own behind the
-- request's
alter table intake_request add column part_of uuid references intake_request;
-- whether the form still asks for it: what was answered otherwise since is kept, and nothing is made of it
alter table intake_request add column wanted boolean not null default true;
-- how far its own agreement has come; the stage of a request of several is that of the one that is furthest behind
alter table intake_request add column own_stage text not null default 'WAITING';
update intake_request set own_stage = stage;
create index intake_request_parts on intake_request (part_of, number);
-- lists show whole requests only
drop index intake_request_waiting;
create index intake_request_waiting on intake_request (created_at desc) where agreement_number is null and part_of is null;
