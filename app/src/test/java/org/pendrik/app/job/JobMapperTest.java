package org.pendrik.app.job;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.expectThrows;

import java.time.LocalDate;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.AppTest;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.film.Face;
import org.pendrik.core.plan.SubjectKind;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataIntegrityViolationException;
import org.testng.annotations.Test;

public class JobMapperTest extends AppTest {
    @Autowired private JobMapper mapper;

    private static Job job(UUID id, String name, @Nullable LocalDate wanted) {
        return new Job(
                id,
                name,
                SubjectKind.STRUCTURE,
                160,
                14500.25,
                9200,
                Substrate.PRIMED,
                wanted,
                "note – with ΔE",
                NOON,
                false,
                1,
                1,
                1);
    }

    @Test
    public void aJobComesBackAsItWasStored() {
        Job stored = job(UUID.randomUUID(), "Kiln house", LocalDate.of(2027, 2, 28));
        mapper.insert(stored);
        assertEquals(mapper.find(stored.id()), stored);
        assertNull(mapper.find(UUID.randomUUID()));
    }

    @Test
    public void anOpenDateStaysOpen() {
        Job stored = job(UUID.randomUUID(), "Whenever", null);
        mapper.insert(stored);
        assertNull(Objects.requireNonNull(mapper.find(stored.id())).wantedOn());
    }

    @Test
    public void theSameIdIsStoredOnce() {
        Job stored = job(UUID.randomUUID(), "Once", null);
        mapper.insert(stored);
        expectThrows(DataIntegrityViolationException.class, () -> mapper.insert(stored));
    }

    @Test
    public void onlyTheVersionThatWasSeenIsChanged() {
        Job stored = job(UUID.randomUUID(), "Versions", null);
        mapper.insert(stored);
        JobDraft draft =
                new JobDraft(
                        "Changed",
                        SubjectKind.STRUCTURE,
                        160,
                        15000,
                        9200,
                        Substrate.BARE,
                        null,
                        "",
                        1);
        assertEquals(mapper.update(stored.id(), draft), 1);
        assertEquals(mapper.update(stored.id(), draft), 0);
        Job now = Objects.requireNonNull(mapper.find(stored.id()));
        assertEquals(now.version(), 2);
        assertEquals(now.lengthMm(), 15000.0);
        assertEquals(mapper.stepStudy(stored.id(), 1), 1);
        assertEquals(mapper.stepStudy(stored.id(), 1), 0);
        assertEquals(mapper.stepPlan(stored.id(), 7, 30L), 0);
        assertEquals(mapper.stepPlan(stored.id(), 1, 30L), 1);
        assertEquals(mapper.planGap(stored.id()), Long.valueOf(30));
        assertEquals(Objects.requireNonNull(mapper.find(stored.id())).studyVersion(), 2);
    }

    @Test
    public void jobsAreListedByDateWithThosePutAwayLast() {
        UUID late = UUID.randomUUID();
        UUID soon = UUID.randomUUID();
        UUID away = UUID.randomUUID();
        UUID open = UUID.randomUUID();
        mapper.insert(job(late, "late", LocalDate.of(2031, 5, 1)));
        mapper.insert(job(soon, "soon", LocalDate.of(2031, 4, 1)));
        mapper.insert(job(away, "away", LocalDate.of(2031, 1, 1)));
        mapper.insert(job(open, "open", null));
        mapper.archive(away, true);
        var order =
                mapper.all().stream()
                        .map(Job::id)
                        .filter(
                                i ->
                                        i.equals(late)
                                                || i.equals(soon)
                                                || i.equals(away)
                                                || i.equals(open))
                        .toList();
        assertEquals(order, java.util.List.of(soon, late, open, away));
    }

    private static JobZone zone(String key, boolean lettering) {
        return new JobZone(
                key, key, lettering, 0.4, Face.SIDE, Substrate.WOOD, false, "0.1 0.2 0.3 0.4");
    }

    @Test
    public void zonesKeepTheirOrderAndNeedTheirJob() {
        UUID id = UUID.randomUUID();
        mapper.insert(job(id, "zones", null));
        mapper.addZone(id, zone("walls", false), 1);
        mapper.addZone(id, zone("signs", true), 0);
        assertEquals(
                mapper.zones(id).stream().map(JobZone::zoneKey).toList(),
                java.util.List.of("signs", "walls"));
        assertEquals(mapper.zones(id).getFirst(), zone("signs", true));
        expectThrows(
                DataIntegrityViolationException.class,
                () -> mapper.addZone(UUID.randomUUID(), zone("walls", false), 0));
    }
}
