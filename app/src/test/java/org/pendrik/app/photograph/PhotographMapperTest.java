package org.pendrik.app.photograph;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.pendrik.app.AppTest;
import org.pendrik.app.sides.Marks;
import org.pendrik.app.sides.Side;
import org.pendrik.core.colour.LightKnown;
import org.pendrik.core.photo.CylinderUnwrapper;
import org.pendrik.core.photo.KnownLine;
import org.pendrik.core.photo.Point;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataIntegrityViolationException;
import org.testng.annotations.Test;

public class PhotographMapperTest extends AppTest {
    private static final Marks.Corners CORNERS =
            new Marks.Corners(
                    List.of(
                            new Point(1.25, 2),
                            new Point(99, 3),
                            new Point(98, 70.5),
                            new Point(0, 71)));

    @Autowired private PhotographMapper mapper;

    private static Photograph photograph(UUID job) {
        return new Photograph(
                UUID.randomUUID(),
                job,
                Role.MODEL,
                Side.B_END,
                false,
                "after the wash",
                "ab".repeat(32),
                "image/png",
                120,
                80,
                6,
                null,
                26.5,
                NOON,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                false,
                true,
                true,
                false,
                1);
    }

    @Test
    public void aPhotographComesBackAsItWasStored() {
        Photograph p = photograph(car("Mapped"));
        mapper.insert(p);
        assertEquals(mapper.find(p.id()), p);
        assertNull(mapper.find(UUID.randomUUID()));
    }

    @Test
    public void marksComeBackAsTheyWereSetAndOnlyOnTheVersionSeen() {
        Photograph p = photograph(car("Marked"));
        mapper.insert(p);
        var known = new Marks.KnownPoints(List.of(new Marks.KnownPoint(5, 6, 1000, 20.5)));
        var grey = new Marks.GreyPatch(10, 11, 12, 13, 50);
        var lines =
                new Marks.StraightLines(
                        List.of(
                                List.of(new Point(1, 2), new Point(3, 4), new Point(5, 6)),
                                List.of(new Point(7, 8), new Point(9, 1), new Point(2, 3.5))));
        var shell =
                new Marks.ShellMarks(
                        List.of(
                                new CylinderUnwrapper.ArcMark(new Point(1, 2), true, -20),
                                new CylinderUnwrapper.ArcMark(new Point(3, 4), false, 90)));
        var level =
                new Marks.KnownLines(
                        List.of(
                                new Marks.LineMark(1, 2, 90.5, 4, KnownLine.Along.LEVEL, 2400.0),
                                new Marks.LineMark(5, 6, 7, 70, KnownLine.Along.UPRIGHT, null)));
        var draft = new Photographs.MarksDraft(CORNERS, known, level, grey, lines, shell, 1);
        assertEquals(mapper.mark(p.marked(draft)), 1);
        var nothing = new Photographs.MarksDraft(null, null, null, 1);
        assertEquals(mapper.mark(p.marked(nothing)), 0);
        Photograph now = Objects.requireNonNull(mapper.find(p.id()));
        assertEquals(now.corners(), CORNERS);
        assertEquals(now.knownPoints(), known);
        assertEquals(now.knownLines(), level);
        assertTrue(now.located());
        assertEquals(now.greyPatch(), grey);
        assertEquals(now.straightLines(), lines);
        assertEquals(now.shellMarks(), shell);
        assertEquals(mapper.mark(now.marked(new Photographs.MarksDraft(null, null, null, 2))), 1);
        assertNull(Objects.requireNonNull(mapper.find(p.id())).corners());
    }

    @Test
    public void aPatchOfKnownColourComesBackWithIt() {
        Photograph p = photograph(car("Coloured patch"));
        mapper.insert(p);
        var patch = new Marks.GreyPatch(10, 11, 12, 13, 50, 20.5, -3.0, null);
        mapper.mark(p.marked(new Photographs.MarksDraft(null, null, patch, 1)));
        assertEquals(Objects.requireNonNull(mapper.find(p.id())).greyPatch(), patch);
        assertEquals(patch.known(), new org.pendrik.core.colour.Lab(50, 20.5, -3));
    }

    @Test
    public void whiteLetteringAndBallastStayWhatTheyAre() {
        Photograph p = photograph(car("No card"));
        mapper.insert(p);
        int version = 1;
        for (LightKnown by : List.of(LightKnown.LETTERING, LightKnown.BALLAST)) {
            var patch = new Marks.GreyPatch(10, 11, 12, 13, 88, 0.0, 2.0, by);
            mapper.mark(p.marked(new Photographs.MarksDraft(null, null, patch, version++)));
            assertEquals(Objects.requireNonNull(mapper.find(p.id())).greyPatch(), patch);
        }
    }

    @Test
    public void whatIsPutAwayIsNotListedButStillThere() {
        UUID job = car("Listed");
        Photograph p = photograph(job);
        mapper.insert(p);
        assertEquals(mapper.ofJob(job).size(), 1);
        mapper.remove(p.id(), true);
        assertEquals(mapper.ofJob(job).size(), 0);
        assertEquals(Objects.requireNonNull(mapper.find(p.id())).removed(), true);
    }

    @Test
    public void aPhotographNeedsItsJob() {
        expectThrows(
                DataIntegrityViolationException.class,
                () -> mapper.insert(photograph(UUID.randomUUID())));
    }
}
