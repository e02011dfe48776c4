-- two tabs, or a double tap, must not log the same step twice
drop index log_of_job;

create unique index log_of_step on log_entry (job_id, step_id);
