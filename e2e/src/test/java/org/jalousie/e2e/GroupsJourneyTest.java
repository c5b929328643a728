package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;

/** An administrator keeps a template to a few; somebody else sees nothing of it, then looks at it, and works on with the rest. */
class GroupsJourneyTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private final String mark = "g" + UUID.randomUUID().toString().substring(0, 6);

    private static Locator right(Page page, String who, String right) {
        return page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName(who + ": " + right));
    }

    private static void signIn(Browser browser, String mail) {
        browser.page.getByLabel("Mail address").fill(mail);
        browser.page.getByLabel("Password").fill(Testbed.PASSWORD);
        browser.page
                .getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Sign in").setExact(true))
                .click();
    }

    @Test
    void aTemplateIsKeptToAFew() {
        String mail = mark + "@museum.example.org";
        OfficePeople.there(BED, mail, "Piet " + mark, Role.COORDINATOR);
        String template = OFFICE.publish(mark + " staff", Office.loanWording());
        String number = OFFICE.generate(template, Office.loanValues("Ida Marsh"));
        try (Browser browser = new Browser(1280, 800).signIn();
                Browser other = new Browser(1280, 800)) {
            made(browser);
            other.open("/templates?find=" + mark);
            signIn(other, mail);
            assertThat(other.page.getByText("No template has this name.")).isVisible();
            other.open("/agreements/" + number);
            assertThat(other.page.getByText("There is nothing here that you are let see."))
                    .isVisible();
            other.open("/programs");
            assertThat(other.page.getByText("some of them aren’t yours").first())
                    .isVisible();

            lookedAt(browser);
            other.open("/agreements/" + number);
            assertThat(other.page.getByText(mark + " staff").first()).isVisible();
            other.open("/templates?find=" + mark);
            Locator row = other.page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(mark));
            assertThat(row).containsText("see");
            assertThat(row.getByRole(AriaRole.LINK)).hasCount(1);
            assertThat(other.barriers()).isEmpty();
            opened(browser);
            assertThat(browser.complaints).isEmpty();
        }
    }

    private void made(Browser browser) {
        Page page = browser.open("/people").page;
        browser.link("Groups of templates").click();
        browser.button("Make a group").first().click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Make a group"))
                .click();
        assertThat(dialog.getByText("A group needs a name.")).isVisible();
        dialog.getByLabel("Name of the group").fill("Group " + mark);
        String everybody = "Everybody whose role lets them";
        right(page, everybody, "Use").uncheck();
        right(page, everybody, "Prepare").uncheck();
        right(page, everybody, "See").uncheck();
        dialog.getByLabel("Put in a team or a person").fill(Testbed.MAIL);
        dialog.getByRole(AriaRole.BUTTON)
                .filter(new Locator.FilterOptions().setHasText(Testbed.MAIL))
                .click();
        assertThat(right(page, "Nora Quill", "See")).isDisabled();
        right(page, "Nora Quill", "Prepare").check();
        assertThat(browser.barriers()).isEmpty();
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Make a group"))
                .click();
        assertThat(page.getByRole(AriaRole.ROW)
                        .filter(new Locator.FilterOptions().setHasText("Group " + mark))
                        .first())
                .containsText("Nora Quill");
        page.getByPlaceholder("Find a template").fill(mark);
        page.getByLabel("Group of " + mark + " staff").selectOption("Group " + mark);
        assertThat(page.getByLabel("Group of " + mark + " staff").locator("option:checked"))
                .hasText("Group " + mark);
        assertThat(browser.barriers()).isEmpty();
    }

    /** Who isn't named looks at it now. */
    private void lookedAt(Browser browser) {
        Page page = browser.page;
        browser.button("Change the group “Group " + mark + "”").click();
        right(page, "Everybody whose role lets them", "See").check();
        browser.button("Keep the group").click();
        assertThat(page.getByRole(AriaRole.ROW)
                        .filter(new Locator.FilterOptions().setHasText("Group " + mark))
                        .first())
                .containsText("everybody");
    }

    /** It is taken out only when nothing stands in it. */
    private void opened(Browser browser) {
        Page page = browser.page;
        page.setViewportSize(360, 740);
        assertThat(browser.barriers()).isEmpty();
        browser.button("Take the group “Group " + mark + "” out").click();
        assertThat(page.getByText("One template stands in this group")).isVisible();
        page.getByLabel("Group of " + mark + " staff").selectOption("none: open to everybody");
        assertThat(page.getByLabel("Group of " + mark + " staff")).isEnabled();
        browser.button("Take the group “Group " + mark + "” out").click();
        assertThat(page.getByText("Group " + mark)).hasCount(0);
    }
}
