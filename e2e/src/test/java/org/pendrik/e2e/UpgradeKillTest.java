package org.pendrik.e2e;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.Random;
import org.flywaydb.core.Flyway;
import org.testng.annotations.Test;

/**
 * Killed at any moment of an upgrade, of a first start, or while the demonstration is set up, the
 * next start has everything.
 */
public class UpgradeKillTest {
    private static final int KILLS = Integer.getInteger("e2e.upgrade-kills", 4);

    /** Databases of versions 1 to this are upgraded; it is one before the program's own. */
    private static final int NEWEST_OLD = 10;

    private static final String JOB = "11111111-1111-4111-8111-111111111111";

    private final Random random = new Random(Long.getLong("e2e.seed", 7));

    /** A workshop as a program of that version has left it. */
    private static Path written(int version) throws SQLException {
        Path data = Server.freshFolder();
        String url = "jdbc:h2:file:" + data.resolve("pendrik") + ";WRITE_DELAY=0";
        Flyway.configure()
                .dataSource(url, "pendrik", "")
                .target(Integer.toString(version))
                .load()
                .migrate();
        try (Connection c = DriverManager.getConnection(url, "pendrik", "");
                Statement s = c.createStatement()) {
            s.execute(
                    """
                    insert into workshop values (1, 'Old workshop', 'Europe/Berlin', 20, 0.5, 600, 0);
                    insert into job values ('%1$s', 'Old car', 'FREIGHT_CAR', 87.1, 6400, 2600, 'FACTORY_FLAT', null,
                        'kept', '2026-01-01 12:00:00+00', false, 1, 1, 1);
                    insert into zone values ('%1$s', 'left-side', 'left side', true, 0.3, 0);
                    insert into zone values ('%1$s', 'roof', 'roof', false, 0.2, 1);
                    insert into plan_step (job_id, id, technique, material, thickness, zones, origin, reason, place)
                    values ('%1$s', 'e1:mist-fade+seal-satin', 'seal-satin', 'clear-satin', 'LIGHT', 'left-side',
                        'INSERTED', 'why', 0),
                      ('%1$s', 'e1:mist-fade', 'mist-fade', 'fade-chalk', 'MIST', 'left-side', 'EFFECT', 'why', 1),
                      ('%1$s', 'mine', 'dry-brush', 'dry-buff', 'LIGHT', 'roof', 'MANUAL', 'You put it here.', 2);
                    """
                            .formatted(JOB));
            if (version >= 8) {
                s.execute(
                        """
                        update plan_step set made_for_step = 'e1:mist-fade' where id = 'e1:mist-fade+seal-satin';
                        update plan_step set made_for_effect = 'e1' where id = 'e1:mist-fade'
                        """);
            }
            if (version >= 5) {
                for (int i = 1; i <= 2; i++) {
                    s.execute(
                            """
                            insert into bottle (id, version, gone, name, maker, family, kind, finish, colour_source, hiding,
                                amount_ml, full_ml, price_per_ml, place, drop_ml, strength, notes)
                            values ('%d1111111-1111-4111-8111-111111111111', 1, false, '%s', 'Maker',
                                'waterborne acrylic', 'PAINT', 'flat', 'TYPED', 0.9, 9, 17, 0, '', 0.05, 1, '')
                            """
                                    .formatted(i, version >= 9 && i == 2 ? "Twin 2" : "Twin"));
                }
            }
        }
        return data;
    }

    private void kill(Path data, int fromMs, int untilMs, String... extra)
            throws IOException, InterruptedException {
        AppProcess p = AppProcess.alone(data, extra);
        p.endsWithin(Duration.ofMillis(fromMs + random.nextInt(untilMs - fromMs)));
        p.kill();
    }

    @Test
    public void anUpgradeThatIsKilledIsMadeAgainFromWhatWasThere()
            throws IOException, InterruptedException, SQLException {
        int locked = 0;
        for (int i = 0; i < KILLS; i++) {
            int version = 1 + (i * 4) % NEWEST_OLD;
            Path data = written(version);
            if (i > 0 && i % 20 == 0) {
                System.out.println("after " + i + " kills in upgrades: " + locked + " locked");
            }
            kill(data, 500, 3500);
            try (Server server = Server.start(data)) {
                String job = server.get("/api/jobs/" + JOB);
                assertTrue(job.contains("Old car") && job.contains("\"roof\""), job);
                String plan = server.get("/api/jobs/" + JOB + "/makeup");
                for (String words :
                        new String[] {
                            "\"madeForStep\":\"e1:mist-fade\"",
                            "\"madeForEffect\":\"e1\"",
                            "\"id\":\"mine\""
                        }) {
                    assertTrue(plan.contains(words), version + ": " + plan);
                }
                if (version >= 5) {
                    assertEquals(server.get("/api/shelf").split("Twin", -1).length, 3);
                }
            } catch (IllegalStateException e) {
                locked++;
                System.out.println("locked from version " + version + ": " + e.getMessage());
            }
        }
        System.out.println("kill -9 in upgrades: " + KILLS + " kills, " + locked + " locked");
        assertEquals(locked, 0);
    }

    @Test
    public void aFirstStartThatIsKilledBeginsAnew() throws IOException, InterruptedException {
        for (int i = 0; i < Math.max(1, KILLS / 10); i++) {
            Path data = Server.freshFolder();
            kill(data, 300, 3000);
            try (Server server = Server.start(data)) {
                assertEquals(server.get("/api/jobs"), "[]");
                String workshop = server.get("/api/workshop");
                assertEquals(workshop.split("\"weekday\"", -1).length - 1, 6, workshop);
            }
        }
        System.out.println(
                "kill -9 in first starts: " + Math.max(1, KILLS / 10) + " kills, 0 locked");
    }

    @Test
    public void aDemonstrationThatIsKilledIsMadeAnew() throws IOException, InterruptedException {
        for (int i = 0; i < Math.max(1, KILLS / 10); i++) {
            Path data = Server.freshFolder();
            kill(data, 1500, 9000, "--pendrik.demo=true");
            try (Server server = Server.start(data, "--pendrik.demo=true")) {
                String jobs = server.get("/api/jobs");
                assertEquals(jobs.split("\"kind\"", -1).length - 1, 4, jobs);
                assertTrue(Files.exists(data.resolve("photographs")));
            }
        }
        System.out.println(
                "kill -9 in demonstrations: " + Math.max(1, KILLS / 10) + " kills, 0 locked");
    }
}
