package org.pendrik.app.store;

import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * A stored value that nearly everything asks for, kept in memory. What a transaction sets it sees
 * itself at once, and everybody else once it is stored.
 *
 * @param <T> the value; it must not change
 */
public final class Kept<T> {
    private volatile T value;

    /**
     * @param value as it is stored
     */
    public Kept(T value) {
        this.value = value;
    }

    /** The value as this transaction sees it. */
    @SuppressWarnings("unchecked") // only set binds it
    public T get() {
        Object pending = TransactionSynchronizationManager.getResource(this);
        return pending == null ? value : (T) pending;
    }

    /** Sets it: at once, or, within a transaction, when that is stored. */
    public void set(T fresh) {
        if (!TransactionSynchronizationManager.isSynchronizationActive()) {
            value = fresh;
            return;
        }
        boolean first = TransactionSynchronizationManager.unbindResourceIfPossible(this) == null;
        TransactionSynchronizationManager.bindResource(this, fresh);
        if (first) {
            TransactionSynchronizationManager.registerSynchronization(
                    new TransactionSynchronization() {
                        @Override
                        public void afterCommit() {
                            value = get();
                        }

                        @Override
                        public void afterCompletion(int status) {
                            TransactionSynchronizationManager.unbindResourceIfPossible(Kept.this);
                        }
                    });
        }
    }
}
