package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import org.jalousie.core.wording.DocxText;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Signing fields placed on the page: put in as a set and as blocks, dragged, moved by keys, sized at the corner. */
class PlacingJourneyTest {
    private final Office office = new Office(Testbed.start().address());
    private String id;

    private String body() {
        return DocxText.body(
                office.client.get("/api/v1/templates/" + id + "/wording").body());
    }

    private JsonNode size(String name) {
        return Office.signingField(
                        office.client.get("/api/v1/templates/" + id).json().get("content"), name)
                .get("type")
                .get("size");
    }

    private static Locator place(Page page, String name) {
        return page.locator("[data-place=" + name + "]");
    }

    private static void act(Page page, String act) {
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("What to do"))
                .selectOption(act);
    }

    private static void drag(Page page, double[] from, double[] to) {
        page.mouse().move(from[0], from[1]);
        page.mouse().down();
        page.mouse().move(from[0] + 8, from[1] + 8);
        page.mouse().move(to[0], to[1]);
        page.mouse().move(to[0] + 1, to[1]);
        page.mouse().up();
    }

    private static double[] middle(Locator of) {
        BoundingBox box = of.boundingBox();
        return new double[] {box.x + box.width / 2, box.y + box.height / 2};
    }

    private static void button(Page page, String name) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .click();
    }

    @Test
    void signingFieldsArePlacedMovedAndSizedByMouseAndByKeys() {
        id = office.bringIn(
                        "Placing",
                        new WordDraft()
                                .paragraph("Lent by {{lender_name}} to the museum.")
                                .paragraph("{{lender.initials}} and {{museum.initials}}")
                                .paragraph("Signed for the lender")
                                .paragraph("Signed in two copies.")
                                .bytes())
                .get("id")
                .asString();
        try (Browser browser = new Browser(1280, 900).signIn()) {
            Page page = browser.open("/templates/" + id).page;
            Hand mouse = new Hand.OfMouse(page);
            place(page, "lender_initials").waitFor();

            mouse.standBehind("Signed for the lender");
            act(page, "INSERT_SIGNING_SET");
            mouse.fill(AriaRole.COMBOBOX, "Name", "Lender");
            mouse.redrawn(() -> button(page, "Put it in"));
            place(page, "lender_date_signed").waitFor();
            assertThat(body()).contains("Signed for the lender\n{{lender.signature}}\n{{lender.full_name}}");

            mouse.standBehind("Signed in two copies.");
            act(page, "INSERT_SIGNING_BLOCKS");
            mouse.redrawn(() -> button(page, "Put them in"));
            place(page, "museum_full_name").waitFor();

            // dragged behind "Lent by", though it is let go within a word
            double[] by = middle(page.locator(".text-layer span")
                    .filter(new Locator.FilterOptions().setHasText("Lent by"))
                    .first());
            BoundingBox words = page.locator(".text-layer span")
                    .filter(new Locator.FilterOptions().setHasText("Lent by"))
                    .first()
                    .boundingBox();
            mouse.redrawn(() -> drag(page, middle(place(page, "lender_full_name")), new double[] {words.x + 2, by[1]}));
            assertThat(body()).startsWith("{{lender.full_name}} Lent by");

            // by keys: taken up in its card, put down at the cursor
            Hand keys = new Hand.OfKeys(page);
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Museum, date of signing"))
                    .first()
                    .focus();
            page.keyboard().press("Enter");
            keys.press(AriaRole.BUTTON, "Move");
            assertThat(page.getByText("Museum, date of signing is being moved")).isVisible();
            keys.standBehind("Signed in two copies.");
            page.keyboard().press("Enter");
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Put it here")))
                    .isFocused();
            keys.redrawn(() -> page.keyboard().press("Enter"));
            assertThat(body()).contains("Signed in two copies. {{museum.date_signed}}");

            // sized at its corner: by the mouse in half millimetres, by keys in whole ones
            double width = size("museum_signature").get("widthMm").asDouble();
            place(page, "museum_signature").click();
            Locator corner =
                    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Size of Museum, signature"));
            double[] at = middle(corner);
            mouse.redrawn(() -> drag(page, at, new double[] {at[0] - 60, at[1]}));
            double narrower = size("museum_signature").get("widthMm").asDouble();
            assertThat(narrower).isLessThan(width - 10);
            assertThat(narrower * 2 % 1).isZero();
            corner.focus();
            keys.redrawn(() -> page.keyboard().press("Shift+ArrowRight"));
            assertThat(size("museum_signature").get("widthMm").asDouble()).isEqualTo(narrower + 5);

            mouse.redrawn(() -> button(page, "Same size for the 2 others of this kind"));
            assertThat(size("lender_signature").get("widthMm").asDouble()).isEqualTo(narrower + 5);
            assertThat(browser.complaints).isEmpty();
        }
    }
}
