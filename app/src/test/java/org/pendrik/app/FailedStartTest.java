package org.pendrik.app;

import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.sql.SQLException;
import org.h2.api.ErrorCode;
import org.springframework.boot.web.server.PortInUseException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * A start that failed says in one sentence what stands in its way, and never blames the wrong
 * thing.
 */
public class FailedStartTest {
    private static SQLException database(int code, Throwable cause) {
        return new SQLException("IO Exception", "90028", code, cause);
    }

    @DataProvider
    public Object[][] failures() {
        return new Object[][] {
            {new PortInUseException(8420), "Port 8420 is taken by another program."},
            {database(ErrorCode.FILE_CORRUPTED_1, new IOException("checksum")), "is damaged."},
            {
                database(ErrorCode.IO_EXCEPTION_1, new IOException("No space left on device")),
                "is full. Free some space and start again"
            },
        };
    }

    @Test(dataProvider = "failures")
    public void theReasonIsNamed(Exception cause, String words) {
        String said = PendrikApplication.explain(new IllegalStateException("bean", cause));
        assertTrue(said.contains(words), said);
        assertTrue(said.lines().count() == 1, said);
    }
}
