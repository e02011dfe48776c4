-- Which photograph of the prototype measures its side, and which one a region where it is another one.
alter table photograph add column leads boolean default false not null;
alter table region add column photograph_id uuid;

-- until now the newest that was located measured its side: it goes on doing so
update photograph p set leads = true
where p.role = 'PROTOTYPE' and not p.sister and not p.removed
    and (p.corners is not null or p.shell_marks is not null)
    and not exists (
        select 1 from photograph q
        where q.job_id = p.job_id and q.side = p.side and q.role = 'PROTOTYPE' and not q.sister and not q.removed
            and (q.corners is not null or q.shell_marks is not null)
            and (q.added_at > p.added_at or q.added_at = p.added_at and q.id > p.id));
