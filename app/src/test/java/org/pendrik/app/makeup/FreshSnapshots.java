package org.pendrik.app.makeup;

import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.store.Uncommitted;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Holds what is kept in memory of jobs against what the database says. */
public final class FreshSnapshots {
    private static final int NEWEST = 12;

    private final Jobs jobs;
    private final JobSnapshots snapshots;
    private final TransactionTemplate reading;

    public FreshSnapshots(
            Jobs jobs, JobSnapshots snapshots, PlatformTransactionManager transactions) {
        this.jobs = jobs;
        this.snapshots = snapshots;
        this.reading = new TransactionTemplate(transactions);
    }

    /** Fails when a job that was made lately is kept in memory otherwise than it is stored. */
    public void require() {
        List<Job> newest =
                jobs.all().stream()
                        .sorted(Comparator.comparing(Job::createdAt).reversed())
                        .limit(NEWEST)
                        .toList();
        for (Job job : newest) {
            JobSnapshot stored = stored(job.id());
            JobSnapshot kept = snapshots.of(job.id());
            if (!kept.equals(stored)) {
                throw new AssertionError(
                        job.name() + " is kept as\n" + kept + "\nand stored as\n" + stored);
            }
        }
    }

    /** What a transaction changes it reads from the database. */
    private JobSnapshot stored(UUID job) {
        return Objects.requireNonNull(
                reading.execute(
                        _ -> {
                            Uncommitted.mark(job);
                            return snapshots.of(job);
                        }));
    }
}
