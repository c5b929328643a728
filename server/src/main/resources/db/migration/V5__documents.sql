-- one queue for the documents of an agreement: what waits to be made or sealed is asked for by the agreement alone
insert into scheduled_tasks (task_name, task_instance, execution_time, picked, consecutive_failures, version)
select case when task_name = 'generate' then 'make-documents' else 'seal-documents' end,
       left(task_instance, 36), min(execution_time), false, 0, 1
from scheduled_tasks
where task_name in ('generate', 'seal-office', 'seal-party', 'finish')
group by 1, 2;
delete from scheduled_tasks where task_name in ('generate', 'seal-office', 'seal-party', 'finish');

delete from job_failure older using job_failure newer
where older.task in ('generate', 'seal-office', 'seal-party', 'finish')
  and newer.task in ('generate', 'seal-office', 'seal-party', 'finish')
  and older.agreement_id = newer.agreement_id
  and (older.task = 'generate') = (newer.task = 'generate')
  and (older.failed_at, older.id) < (newer.failed_at, newer.id);
update job_failure
set task = case when task = 'generate' then 'make-documents' else 'seal-documents' end,
    instance = agreement_id::text
where task in ('generate', 'seal-office', 'seal-party', 'finish');

-- a mail knows the event that asked for it, so that one that was overtaken while it waited isn't sent
alter table mail add column asked_by integer not null default 0;

-- the route is called so, and not by its picture on the screen
alter table agreement rename column blind to route;

-- how often a job was asked for, so that what is asked for while it runs isn't lost when it ends
create table job_request (
    task text not null,
    instance text not null,
    times integer not null,
    primary key (task, instance)
);
