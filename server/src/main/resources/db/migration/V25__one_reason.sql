-- how somebody comes to a link: by mail, straight from a form, or from the rooms
alter table link add column came_by text not null default 'MAIL' check (came_by in ('MAIL', 'FORM', 'ACCOUNT'));
update link set came_by = case when by_account then 'ACCOUNT' else 'FORM' end where by_account or by_form;
alter table link drop column by_form;
alter table link drop column by_account;

-- why an agreement waits for the office, the first of its reasons; nothing for one that doesn't
alter table agreement add column attention text;
update agreement
   set attention = case when kept_out then 'KEPT_OUT' when undelivered then 'UNDELIVERED' else 'ASKED' end
 where kept_out or undelivered or asked;
drop index agreement_kept_out;
drop index agreement_undelivered;
drop index agreement_asked;
alter table agreement drop column kept_out;
alter table agreement drop column undelivered;
alter table agreement drop column asked;
create index agreement_attention on agreement (attention, changed_at desc) where attention is not null;
