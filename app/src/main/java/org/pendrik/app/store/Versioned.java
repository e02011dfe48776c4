package org.pendrik.app.store;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Content that is named by the version of what it belongs to: read once, and kept while that is the
 * version. The version comes from the row that counts it, in the transaction that asks.
 *
 * @param <T> the content; it must not change
 */
public final class Versioned<T> {
    private final Cache<Key, T> kept;

    private record Key(UUID of, int version) {}

    /**
     * @param most how many are kept
     */
    public Versioned(int most) {
        kept = Caffeine.newBuilder().maximumSize(most).build();
    }

    /**
     * The content of a version.
     *
     * @param of what it belongs to; when this transaction changes that ({@link Uncommitted}), it is
     *     read and not kept, since the same version may come to be another content
     */
    public T get(UUID of, int version, Supplier<T> read) {
        if (Uncommitted.has(of)) {
            return read.get();
        }
        Key key = new Key(of, version);
        T known = kept.getIfPresent(key);
        if (known == null) {
            // not under the lock of the cache: reading waits for the database
            known = read.get();
            kept.put(key, known);
        }
        return known;
    }

    /** Keeps the content of a new version as soon as this transaction is stored. */
    public void whenStored(UUID of, int version, T content) {
        TransactionSynchronizationManager.registerSynchronization(
                new TransactionSynchronization() {
                    @Override
                    public void afterCommit() {
                        kept.put(new Key(of, version), content);
                    }
                });
    }
}
