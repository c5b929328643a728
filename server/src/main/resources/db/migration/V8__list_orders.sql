-- what lists can be sorted by
create index agreement_title on agreement (title, id);
create index agreement_template on agreement (template_name, id);
create index agreement_since on agreement (since, id);
create index template_name on template (name, id);
create index mail_recipient on mail (recipient, id);
