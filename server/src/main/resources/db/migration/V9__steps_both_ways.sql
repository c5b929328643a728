-- every change of a draft can be taken back and made again, its settings' too. Steps kept until now held the changes of the
-- wording alone; taking one of them back would take settings made since then with it, so they go.
delete from template_step;
alter table template_step add column taken_back boolean not null default false;
-- what a step changed, so that typing on at one thing is one step
alter table template_step add column typed boolean not null default false;
