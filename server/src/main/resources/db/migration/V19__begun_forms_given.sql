-- who has begun a form, by name: a colleague who goes on with it is told
alter table begun_form add column begun_by text not null default '';
