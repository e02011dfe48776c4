package org.pendrik.app.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.flywaydb.core.Flyway;
import org.testng.annotations.Test;

/** A workshop of the version before is read by this one as it was left. */
public class MigrationTest {
    private static final String URL = "jdbc:h2:mem:before-10;DB_CLOSE_DELAY=-1";

    private static void migrateTo(String version) {
        Flyway.configure().dataSource(URL, "sa", "").target(version).load().migrate();
    }

    @Test
    public void stepsAndLogOfVersionNineAreKept() throws SQLException {
        migrateTo("9");
        try (Connection c = DriverManager.getConnection(URL, "sa", "");
                Statement s = c.createStatement()) {
            s.execute(
                    """
                    insert into job (id, name, kind, scale_ratio, length_mm, height_mm, substrate, note, created_at,
                        archived, version, study_version, plan_version)
                    values ('00000000-0000-0000-0000-000000000001', 'Hopper', 'FREIGHT_CAR', 87.1, 6400, 2600,
                        'FACTORY_FLAT', '', '2026-11-01 10:00:00+00', false, 1, 1, 1)
                    """);
            s.execute(
                    """
                    insert into plan_step (job_id, id, technique, material, thickness, zones, origin, reason,
                        started_at, finished_at, place)
                    values ('00000000-0000-0000-0000-000000000001', 'e:pin-wash', 'pin-wash', 'wash-warm-brown',
                        'LIGHT', 'left-side roof', 'EFFECT', 'You want it.', '2026-11-02 10:00:00+00',
                        '2026-11-02 10:20:00+00', 0)
                    """);
            s.execute(
                    """
                    insert into log_entry (id, job_id, step_id, technique, material, zones, started_at, finished_at,
                        note, version)
                    values ('00000000-0000-0000-0000-000000000002', '00000000-0000-0000-0000-000000000001',
                        'e:pin-wash', 'pin-wash', 'wash-warm-brown', 'left-side roof', '2026-11-02 10:00:00+00',
                        '2026-11-02 10:20:00+00', 'ran', 1)
                    """);
            migrateTo("10");
            try (ResultSet r =
                    s.executeQuery(
                            "select zones, zone_times, works_on, thickness from plan_step")) {
                assertTrue(r.next());
                assertEquals(r.getString("zones"), "left-side roof");
                assertEquals(r.getString("thickness"), "LIGHT");
                assertNull(r.getString("zone_times"));
                assertNull(r.getString("works_on"));
            }
            try (ResultSet r = s.executeQuery("select note, zone_times from log_entry")) {
                assertTrue(r.next());
                assertEquals(r.getString("note"), "ran");
                assertNull(r.getString("zone_times"));
            }
            try (ResultSet r = s.executeQuery("select count(*) from film_answer")) {
                assertTrue(r.next());
                assertEquals(r.getInt(1), 0);
            }
        }
    }
}
