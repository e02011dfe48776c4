package org.pendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.pendrik.app.standins.HopperSide;
import org.pendrik.app.standins.StandInCamera;
import org.pendrik.app.standins.Weathering;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.photo.Point;

/** Photographs of an own hopper for the stories, and the marks on them set by hand. */
final class Marking {
    /** Where the side is seen, in pixels of 1600 × 900. */
    static final List<Point> CORNERS =
            List.of(
                    new Point(205, 150),
                    new Point(1395, 205),
                    new Point(1375, 690),
                    new Point(225, 725));

    private Marking() {}

    /** A photograph that the demonstration does not have. */
    static byte[] photograph(Weathering w, long seed) {
        Lab ground = new Lab(52, 0, 3);
        var camera =
                new StandInCamera(
                        1600,
                        900,
                        CORNERS,
                        new StandInCamera.Light(0.95, 1, 0.9, 0.1, 0),
                        ground,
                        List.of(740.0, 765.0, 120.0, 90.0),
                        1.5,
                        0.9f);
        return camera.photograph(HopperSide.picture(w, ground, "3052"), HopperSide.PX_PER_MM, seed);
    }

    static void kept(Page page) {
        assertThat(page.getByText("Marks kept", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
    }

    /** Drags the four corners from where they start to where they are. */
    static void dragCorners(Page page) {
        Locator stage = page.locator("[role=application] svg").first();
        stage.scrollIntoViewIfNeeded();
        // once: whatever is measured meanwhile, the photograph stays where it is under the hand
        var box = stage.boundingBox();
        double[][] from = {{0.15, 0.2}, {0.85, 0.2}, {0.85, 0.8}, {0.15, 0.8}};
        for (int i = 0; i < 4; i++) {
            Point c = CORNERS.get(i);
            page.mouse().move(box.x + from[i][0] * box.width, box.y + from[i][1] * box.height);
            page.mouse().down();
            page.mouse()
                    .move(
                            box.x + c.x() / 1600 * box.width,
                            box.y + c.y() / 900 * box.height,
                            new Mouse.MoveOptions().setSteps(4));
            page.mouse().up();
        }
        kept(page);
    }

    /** The flat side. */
    static Locator side(Page page) {
        Locator side = page.locator("[role=application] svg").nth(1);
        side.scrollIntoViewIfNeeded();
        return side;
    }

    /** What a drag on the flat side does. */
    static Locator verb(Page page, String name) {
        return page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("A drag"))
                .getByText(name, new Locator.GetByTextOptions().setExact(true));
    }

    /** Whether corners are set one by one. */
    static Locator cornered(Page page) {
        return page.getByRole(
                AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("corner by corner"));
    }

    /** Drags over a part of the flat side, in shares of its length and height. */
    static void drag(Page page, double x0, double y0, double x1, double y1) {
        var box = side(page).boundingBox();
        page.mouse().move(box.x + x0 * box.width, box.y + y0 * box.height);
        page.mouse().down();
        page.mouse()
                .move(
                        box.x + x1 * box.width,
                        box.y + y1 * box.height,
                        new Mouse.MoveOptions().setSteps(3));
        page.mouse().up();
    }
}
