package org.pendrik.app.store;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.sql.SQLException;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javax.sql.DataSource;
import org.h2.api.ErrorCode;
import org.h2.mvstore.DataUtils;
import org.h2.mvstore.MVStoreException;
import org.springframework.stereotype.Component;

/**
 * What the disk beneath the database does to a request, told in words. H2 closes a database that it
 * cannot write to; the next connection opens it again, so those of before are let go.
 */
@Component
public class DatabaseTrouble {
    private static final Set<Integer> CLOSED =
            Set.of(
                    ErrorCode.DATABASE_IS_CLOSED,
                    ErrorCode.OBJECT_CLOSED,
                    ErrorCode.CONNECTION_BROKEN_1,
                    ErrorCode.IO_EXCEPTION_1,
                    ErrorCode.IO_EXCEPTION_2);

    private final DataSource source;
    private final DataFolder data;

    DatabaseTrouble(DataSource source, DataFolder data) {
        this.source = source;
        this.data = data;
    }

    /**
     * What to say, and with which status.
     *
     * @param status of HTTP
     */
    public record Words(int status, String title, String text) {}

    /** The trouble behind a failure; empty when it has another reason. */
    public Optional<Words> behind(Throwable failure) {
        boolean closed = false;
        for (Throwable t = failure; t != null; t = t.getCause()) {
            if (t instanceof SQLException s && s.getErrorCode() == ErrorCode.FILE_CORRUPTED_1) {
                return Optional.of(new Words(503, "Damaged", DatabaseFile.damaged(data.root())));
            }
            if (t instanceof IOException && isFull(t)) {
                letGo();
                return Optional.of(new Words(507, "The disk is full", DiskSpace.text(data)));
            }
            closed |= t instanceof SQLException s && CLOSED.contains(s.getErrorCode());
            closed |=
                    t instanceof MVStoreException m
                            && (m.getErrorCode() == DataUtils.ERROR_CLOSED
                                    || m.getErrorCode() == DataUtils.ERROR_WRITING_FAILED);
        }
        if (!closed) {
            return Optional.empty();
        }
        letGo();
        return Optional.of(
                new Words(
                        503,
                        "The database was closed",
                        "The disk that holds "
                                + data.root()
                                + " could not be written to for a moment. Nothing was changed; repeat it. If it"
                                + " stays, look whether the disk is full or gone."));
    }

    /** Whether a failure says that there is no space left. */
    public static boolean isFull(Throwable t) {
        String m = String.valueOf(t.getMessage()).toLowerCase(Locale.ROOT);
        return m.contains("no space left") || m.contains("not enough space") || m.contains("quota");
    }

    private void letGo() {
        if (source instanceof HikariDataSource h && h.getHikariPoolMXBean() != null) {
            h.getHikariPoolMXBean().softEvictConnections();
        }
    }
}
