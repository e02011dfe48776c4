package org.pendrik.app.store;

import java.sql.SQLException;
import java.util.Set;
import java.util.function.Supplier;
import org.h2.api.ErrorCode;

/**
 * Two transactions that change the same row at once: each sees the moment in which it began, and
 * the database refuses the one that comes second.
 */
public final class Conflicts {
    private static final Set<Integer> CODES =
            Set.of(ErrorCode.CONCURRENT_UPDATE_1, ErrorCode.DEADLOCK_1, ErrorCode.LOCK_TIMEOUT_1);
    private static final int MOST_TRIES = 8;

    private Conflicts() {}

    /** Whether something failed because another transaction came first. */
    public static boolean isConflict(Throwable failure) {
        for (Throwable t = failure; t != null; t = t.getCause()) {
            if (t instanceof SQLException s && CODES.contains(s.getErrorCode())) {
                return true;
            }
        }
        return false;
    }

    /**
     * Runs a transaction again while another one came first: for changes that do not rest on what
     * somebody saw, such as logging a step while the plan is edited.
     *
     * @param transaction begins and ends within
     */
    public static <T> T retried(Supplier<T> transaction) {
        for (int tries = 1; ; tries++) {
            try {
                return transaction.get();
            } catch (RuntimeException e) {
                if (!isConflict(e) || tries == MOST_TRIES) {
                    throw e;
                }
            }
        }
    }
}
