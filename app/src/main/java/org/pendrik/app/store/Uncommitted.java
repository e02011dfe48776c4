package org.pendrik.app.store;

import java.util.HashSet;
import java.util.Set;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * What the transaction of this thread has changed and not stored yet. Others do not see it, and it
 * may still be given up, so nothing that is kept beyond a transaction may be taken from it.
 */
public final class Uncommitted {
    private static final Object KEY = Uncommitted.class;

    private Uncommitted() {}

    /** Notes that this transaction changes a thing. */
    public static void mark(Object thing) {
        if (!TransactionSynchronizationManager.isSynchronizationActive()) {
            return;
        }
        things(true).add(thing);
    }

    /** Whether this transaction changes a thing. */
    public static boolean has(Object thing) {
        return TransactionSynchronizationManager.hasResource(KEY) && things(false).contains(thing);
    }

    @SuppressWarnings("unchecked") // only this class binds it
    private static Set<Object> things(boolean wanted) {
        Set<Object> bound = (Set<Object>) TransactionSynchronizationManager.getResource(KEY);
        if (bound != null) {
            return bound;
        }
        Set<Object> fresh = new HashSet<>();
        if (wanted) {
            TransactionSynchronizationManager.bindResource(KEY, fresh);
            TransactionSynchronizationManager.registerSynchronization(
                    new TransactionSynchronization() {
                        @Override
                        public void afterCompletion(int status) {
                            TransactionSynchronizationManager.unbindResourceIfPossible(KEY);
                        }
                    });
        }
        return fresh;
    }
}
