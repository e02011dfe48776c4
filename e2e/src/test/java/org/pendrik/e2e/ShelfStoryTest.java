package org.pendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Paint at the mixing table: from a colour that was measured to a recipe that is repeated. */
public class ShelfStoryTest extends BrowserTest {
    public ShelfStoryTest() {
        super(Server::demo);
    }

    private static Locator cup(Page page) {
        return page.getByRole(
                        AriaRole.LIST, new Page.GetByRoleOptions().setName("Drops in the cup"))
                .getByRole(AriaRole.LISTITEM);
    }

    private static Locator keptRecipes(Page page) {
        return page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Kept recipes"))
                .getByRole(AriaRole.LISTITEM);
    }

    private static void searchTheShelf(Page page) {
        page.keyboard().press("f");
        assertThat(cup(page).first())
                .isVisible(
                        new com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions()
                                .setTimeout(30_000));
    }

    private static void keep(Page page, String name) {
        page.keyboard().press("r");
        page.getByLabel("Name it for what it is for").fill(name);
        page.keyboard().press("Enter");
    }

    @Test
    public void aColourIsTypedAndARecipeFoundByKeysAlone() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/shelf"));
        Locator none = page.getByText("no target", new Page.GetByTextOptions().setExact(true));
        assertThat(none).isVisible();
        page.keyboard().press("a");
        page.keyboard().type("38");
        page.keyboard().press("Tab");
        page.keyboard().type("-9");
        page.keyboard().press("Tab");
        page.keyboard().type("12");
        page.keyboard().press("Enter");
        assertThat(none).hasCount(0);
        searchTheShelf(page);
        assertEquals(browser.errors(), java.util.List.of());
        page.context().close();
    }

    @Test
    public void aMeasuredColourIsSearchedMixedByKeysKeptCorrectedAndRepeated() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/jobs/" + Jobs.id(server, "Peat hopper OVR 3041") + "/study"));
        page.getByRole(AriaRole.BUTTON)
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("L\\* \\d")))
                .first()
                .click();
        page.getByText("Mix this colour").first().click();
        assertThat(page.getByRole(AriaRole.HEADING).filter(text("Shelf")).first()).isVisible();
        assertThat(page.getByText("North light")).isVisible();
        page.keyboard().press("f");
        assertThat(page.getByText(Pattern.compile("Nothing on this shelf comes nearer")))
                .isVisible(
                        new com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions()
                                .setTimeout(30_000));
        String proven = cup(page).first().locator(".figure").first().innerText();
        page.keyboard().press("ArrowRight");
        assertThat(cup(page).first().locator(".figure").first())
                .hasText(Integer.toString(Integer.parseInt(proven) + 1));
        assertThat(page.getByText(Pattern.compile("one more: ")).first()).isVisible();
        page.keyboard().press("ArrowLeft");
        assertThat(cup(page).first().locator(".figure").first()).hasText(proven);
        Locator mix = page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("mix"));
        String north = mix.getAttribute("style");
        for (int i = 0; i < 2; i++) {
            page.keyboard().press("l");
        }
        assertThat(page.getByText(Pattern.compile("Under filament the mix")).first()).isVisible();
        assertNotEquals(mix.getAttribute("style"), north);
        keep(page, "hopper side, as found");
        Locator kept = keptRecipes(page);
        assertThat(kept).hasCount(1);
        button(page, "It came out otherwise").click();
        page.getByLabel("ΔL lighter +").fill("2");
        button(page, "Teach the bottles").click();
        assertThat(kept.first()).containsText("Card: came out");
        assertThat(kept.first()).containsText("→");
        assertThat(button(page, "It came out otherwise")).isFocused();
        page.reload();
        button(page, "Fill the cup").click();
        assertThat(cup(page).first()).isVisible();
        button(page, "Take away").click();
        assertThat(kept).hasCount(0);
        page.keyboard().press("u");
        assertThat(kept).hasCount(1);
        assertEquals(browser.errors(), java.util.List.of());
    }

    /** From a step to its recipe, its printed card, and the same recipe on the next car. */
    @Test
    public void aStepIsMixedAtTheTableItsCardIsPrintedAndTheNextCarTakesTheSame() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/jobs/" + Jobs.id(server, "Bulkhead flat OVR 511") + "/makeup"));
        open(page, "chip brown");
        page.getByText("Mix it at the table").click();
        assertThat(page.getByText(Pattern.compile("What you keep is its mix"))).isVisible();
        searchTheShelf(page);
        keep(page, "chips of the flats");
        assertThat(page.getByText(Pattern.compile("is mixed by it"))).isVisible();
        assertThat(page.getByText("Back to Make-up")).isFocused();
        page.keyboard().press("Enter");
        open(page, "chip brown");
        page.getByText("Mix card").click();
        assertThat(page.getByText("Mix: chips of the flats")).isVisible();
        assertThat(button(page, "Print the mix card")).isVisible();
        assertThat(page.getByText(Pattern.compile("drops? ")).first()).isVisible();

        page.navigate(server.url("/jobs/" + Jobs.id(server, "Diesel shunter OVR 14") + "/makeup"));
        open(page, "chip brown");
        choose(page.getByLabel(Pattern.compile("^Recipe of ")), "chips of the flats");
        assertThat(page.getByText(Pattern.compile("is mixed by chips of the flats"))).isVisible();
        page.getByText("Mix card").click();
        assertThat(page.getByText("Mix: chips of the flats")).isVisible();
        assertEquals(browser.errors(), java.util.List.of());
    }

    private static void open(Page page, String material) {
        page.getByRole(AriaRole.LISTITEM)
                .getByRole(AriaRole.BUTTON)
                .filter(text(material))
                .first()
                .click();
    }

    private static Locator.FilterOptions text(String t) {
        return new Locator.FilterOptions().setHasText(t);
    }

    @Test
    public void aTableWithFaultsIsLookedThroughAndNothingIsStored() {
        Page page = browser.page(1024, 768, "dark");
        page.navigate(server.url("/shelf"));
        page.getByText("Tables and palettes").click();
        Locator file = page.getByLabel("Table (CSV) or palette (GPL)");
        file.setInputFiles(
                table(
                        "name,family,L*,a*,b*\nbrick dust,enamel paint,45,20,22\nbog,enamel paint,dark,0,0\n"));
        assertThat(page.getByText(Pattern.compile("1 new, 0 changed"))).isVisible();
        assertThat(page.getByText("Line 3, L*")).isVisible();
        assertThat(page.getByText("Use a point for decimals and no unit.")).isVisible();
        assertThat(button(page, "Store one bottle")).isDisabled();
        file.setInputFiles(table("name,family,L*,a*,b*\nbrick dust,enamel paint,45,20,22\n"));
        button(page, "Store one bottle").click();
        assertThat(page.getByLabel("brick dust")).isVisible();
        assertThat(file).isFocused();
        assertEquals(page.getByText("bog").count(), 0);
        assertEquals(browser.errors(), java.util.List.of());
    }

    private static FilePayload table(String csv) {
        return new FilePayload("shelf.csv", "text/csv", csv.getBytes(StandardCharsets.UTF_8));
    }

    /** Two cards say how a paint covers; what is known of it says so from then on. */
    @Test
    public void aPaintIsKnownByMoreThanOneSwatch() {
        Page page = browser.page(1024, 768, "light");
        page.navigate(server.url("/shelf"));
        button(page, "oxide red enamel").first().click();
        Locator card =
                page.getByRole(
                        AriaRole.REGION, new Page.GetByRoleOptions().setName("oxide red enamel"));
        assertThat(card.getByText("spectrum estimated from a typed colour")).isVisible();
        card.getByText("Swatches", new Locator.GetByTextOptions().setExact(true)).click();
        swatch(card, "29,5", "24", "16");
        assertThat(card.getByText("One ground alone tells nothing")).isVisible();
        swatch(card, "52", "26", "20");
        assertThat(card.getByText("covering power measured over black and white")).isVisible();
        card.getByLabel("Leave out the swatch over white of oxide red enamel").click();
        assertThat(card.getByText("spectrum estimated from a typed colour")).isVisible();
        assertEquals(browser.errors(), java.util.List.of());
    }

    private static void swatch(Locator card, String l, String a, String b) {
        card.getByLabel("L* lightness").fill(l);
        card.getByLabel("a* green–red").fill(a);
        card.getByLabel("b* blue–yellow").fill(b);
        card.getByLabel("b* blue–yellow").press("Enter");
    }

    /** A card teaches a bottle that is away; what came before both is still reached. */
    @Test
    public void recipesCardsAndBottlesAreTakenBackInTurn() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/shelf?l=44&a=12&b=18"));
        assertThat(page.getByText("North light")).isVisible();
        searchTheShelf(page);
        keep(page, "kiln brick");
        Locator kept = keptRecipes(page).filter(text("kiln brick"));
        assertThat(kept).hasCount(1);
        kept.getByText("Take away").click();
        assertThat(kept).hasCount(0);
        page.keyboard().press("u");
        assertThat(kept).hasCount(1);
        String bottle = cup(page).first().locator("strong").innerText();
        page.locator("button[aria-label^='" + bottle + "']").click();
        button(page, "Take off the shelf").click();
        assertThat(page.getByText(bottle + " is off the shelf")).isVisible();
        kept.getByText("It came out otherwise").click();
        page.getByLabel("ΔL lighter +").fill("2");
        button(page, "Teach the bottles").click();
        assertThat(kept).containsText("Card: came out");
        page.keyboard().press("u");
        assertThat(kept).not().containsText("Card: came out");
        page.keyboard().press("u");
        assertThat(page.getByText("Taken back: " + bottle + " is off the shelf")).isVisible();
        page.keyboard().press("u");
        assertThat(kept).hasCount(0);
        assertEquals(browser.errors(), java.util.List.of());
    }

    @Test
    public void anEmptiedFieldIsNoZero() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/shelf"));
        page.getByLabel("sleeper brown").click();
        Locator card =
                page.getByRole(
                        AriaRole.REGION, new Page.GetByRoleOptions().setName("sleeper brown"));
        String before = server.get("/api/shelf");
        card.getByLabel("Left, ml").fill("");
        card.getByLabel("Left, ml").press("Enter");
        assertThat(card.getByRole(AriaRole.ALERT)).containsText("Left");
        assertEquals(server.get("/api/shelf"), before);
        card.getByLabel("Left, ml").fill("7,5");
        card.getByLabel("Left, ml").press("Enter");
        assertThat(page.getByText("sleeper brown is stored")).isVisible();
        Locator swatches = card.locator("details").filter(text("Keep swatch"));
        swatches.locator("summary").click();
        swatches.getByLabel("L* lightness").fill("30");
        button(page, "Keep swatch").click();
        assertThat(swatches.getByRole(AriaRole.ALERT)).containsText("a* is empty");
        assertThat(swatches.getByLabel("L* lightness")).hasValue("30");
        assertEquals(browser.errors(), java.util.List.of());
    }

    @Test
    public void typedDigitsAreAColourBeforeTheFieldIsLeft() {
        Page page = browser.page(1280, 800, "light");
        page.navigate(server.url("/shelf"));
        Locator target =
                page.locator("form")
                        .filter(new Locator.FilterOptions().setHas(button(page, "Aim at it")));
        Locator digits = target.getByLabel("or sRGB");
        digits.pressSequentially("#7a4b2c");
        assertThat(digits).isFocused();
        assertThat(target.getByLabel("L* lightness")).hasValue(Pattern.compile("3[0-9]\\.[0-9]"));
        assertEquals(browser.errors(), java.util.List.of());
    }

    @Test
    public void smallAnswersAreRememberedAndRefusedInSentences() {
        Page page = browser.page(390, 844, "light");
        page.navigate(server.url("/thumb"));
        Locator ratio =
                page.getByRole(
                        AriaRole.REGION, new Page.GetByRoleOptions().setName("Drops of a ratio"));
        ratio.getByLabel("Parts").fill("1:9");
        assertThat(ratio).containsText("2 + 18 drops");
        Locator scale =
                page.getByRole(
                        AriaRole.REGION,
                        new Page.GetByRoleOptions().setName("Prototype and model"));
        scale.getByLabel("Length").fill("very long");
        assertThat(scale.getByRole(AriaRole.ALERT)).containsText("is not a length");
        scale.getByLabel("Length").fill("8ft 6in");
        assertThat(scale).containsText("29.745 mm");
        page.reload();
        assertThat(ratio.getByLabel("Parts")).hasValue("1:9");
        assertThat(ratio).containsText("2 + 18 drops");
    }
}
