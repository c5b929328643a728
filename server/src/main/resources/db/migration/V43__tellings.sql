-- mails to whom the office tells besides: which of the template's lines it is; none for all others
alter table mail add column telling integer;
