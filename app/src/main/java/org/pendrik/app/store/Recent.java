package org.pendrik.app.store;

import java.io.Serial;
import java.util.LinkedHashMap;
import java.util.Map;

/** The entries that were used last, as many as there is room for. Threads need a lock around it. */
public final class Recent<K, V> extends LinkedHashMap<K, V> {
    @Serial private static final long serialVersionUID = 1L;

    private final int room;

    /**
     * @param room how many entries are kept, 1 or more
     */
    public Recent(int room) {
        super(16, 0.75f, true);
        this.room = room;
    }

    @Override
    protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
        return size() > room;
    }
}
