package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.access.Role;
import org.jalousie.core.access.TimedCode;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** An administrator lets somebody in; they come in by what was mailed, by codes of a device, by a passkey, by the directory. */
class PeopleJourneyTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final String PASSWORD = "six quiet violas tune";
    private static final Pattern WAY_IN = Pattern.compile("/way-in/[A-Za-z0-9_-]{43}");

    private static String address(String name) {
        return name + "." + UUID.randomUUID().toString().substring(0, 8) + "@museum.example.org";
    }

    private static String wayIn(String mail) {
        return Wait.until("an invitation to " + mail, () -> {
            for (JsonNode one :
                    OFFICE.mails(one -> one.get("recipient").asString().equals(mail)
                            && one.get("state").asString().equals("SENT"))) {
                Matcher way = WAY_IN.matcher(OFFICE.client
                        .get("/api/v1/postroom/" + one.get("id").asString())
                        .text());
                if (way.find()) return Optional.of(way.group());
            }
            return Optional.empty();
        });
    }

    private static void signIn(Browser browser, String mail, String password) {
        browser.page.getByLabel("Mail address").fill(mail);
        browser.page.getByLabel("Password").fill(password);
        exact(browser.page, "Sign in").click();
    }

    private static Locator exact(Page page, String button) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button).setExact(true));
    }

    @Test
    void fromTheInvitationToCodesOfADevice() {
        String mail = address("ada.finch");
        try (Browser browser = new Browser(1280, 800).signIn()) {
            Page page = browser.open("/people").page;
            browser.heading("People").waitFor();
            assertThat(browser.barriers()).isEmpty();
            browser.button("Invite somebody").click();
            browser.button("Mail the invitation").click();
            assertThat(page.getByText("This is no mail address.")).isVisible();
            assertThat(page.getByText("Choose one role at least.")).isVisible();
            page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Ada Finch");
            page.getByLabel("Mail address").last().fill(mail);
            page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Reader"))
                    .check();
            assertThat(browser.barriers()).isEmpty();
            browser.button("Mail the invitation").click();
            browser.heading("Ada Finch").waitFor();
            assertThat(page.getByText("invited, ")).isVisible();
            assertThat(browser.barriers()).isEmpty();
            assertThat(browser.complaints).isEmpty();
        }
        try (Browser browser = new Browser(360, 740)) {
            Page page = browser.open(wayIn(mail)).page;
            browser.heading("Welcome, Ada Finch").waitFor();
            assertThat(browser.barriers()).isEmpty();
            page.getByLabel("New password").fill("ada finch 2026");
            browser.button("Keep the password and come in").click();
            assertThat(page.getByText("This password would be guessed soon.")).isVisible();
            page.getByLabel("New password").fill(PASSWORD);
            browser.button("Keep the password and come in").click();
            browser.heading("Archive").first().waitFor();
            browser.link("Ada Finch").click();
            List<String> codes = setCodesUp(browser);
            assertThat(browser.barriers()).isEmpty();
            browser.button("Sign out").first().click();
            browser.heading("Sign in").waitFor();
            signIn(browser, mail, PASSWORD);
            Locator code = page.getByLabel("Code", new Page.GetByLabelOptions().setExact(true));
            code.fill("000000");
            exact(page, "Sign in").click();
            assertThat(page.getByText("This code doesn’t hold.")).isVisible();
            assertThat(browser.barriers()).isEmpty();
            code.fill(codes.get(0));
            exact(page, "Sign in").click();
            browser.heading("Archive").first().waitFor();
            assertThat(browser.complaints).isEmpty();
        }
    }

    /** @return the recovery codes */
    private static List<String> setCodesUp(Browser browser) {
        Page page = browser.page;
        browser.heading("Your account").waitFor();
        browser.button("Set up codes").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.getByLabel("Your password").fill(PASSWORD);
        browser.button("Show the picture").click();
        String secret = dialog.locator("code").innerText().replace(" ", "");
        assertThat(dialog.getByRole(AriaRole.IMG)).isVisible();
        dialog.getByLabel("Code that the app shows").fill(TimedCode.of(secret, Instant.now()));
        browser.button("Ask me for codes").click();
        page.getByText("Keep these where you find them").waitFor();
        List<String> codes = page.locator("section ul.font-mono li").allInnerTexts();
        assertThat(codes).hasSize(10);
        return codes;
    }

    @Test
    void aPasskeyOfTheBrowserIsAllThatIsShown() {
        String mail = address("ivo.lane");
        OfficePeople.there(BED, mail, "Ivo Lane", Role.REQUESTER);
        try (Browser browser = new Browser(1280, 800)) {
            Page page = browser.page;
            device(page);
            String place = BED.address().replace("127.0.0.1", "localhost");
            page.navigate(place + "/sign-in");
            signIn(browser, mail, Testbed.PASSWORD);
            browser.heading("What you asked for").waitFor();
            assertThat(browser.barriers()).isEmpty();
            browser.link("Ivo Lane").click();
            browser.button("Add a passkey").click();
            Locator dialog = page.getByRole(AriaRole.DIALOG);
            dialog.getByLabel("What you call it").fill("Desk");
            dialog.getByLabel("Your password").fill(Testbed.PASSWORD);
            browser.button("Make it on this device").click();
            page.getByText("Keep these where you find them").waitFor();
            assertThat(page.getByText("Desk made on")).isVisible();
            assertThat(browser.barriers()).isEmpty();
            browser.button("Sign out").first().click();
            browser.button("Sign in with a passkey").click();
            browser.heading("What you asked for").waitFor();
            // the device does not help who only knows the password
            browser.button("Sign out").first().click();
            signIn(browser, mail, Testbed.PASSWORD);
            assertThat(page.getByText("Your password is right. Show your passkey next."))
                    .isVisible();
            browser.button("Sign in with a passkey").click();
            browser.heading("What you asked for").waitFor();
        }
    }

    /** Chromium's own authenticator, which looks who somebody is by itself (Web Authentication § 11). */
    private static void device(Page page) {
        CDPSession session = page.context().newCDPSession(page);
        session.send("WebAuthn.enable");
        JsonObject options = JsonParser.parseString("""
                {"options":{"protocol":"ctap2","transport":"internal","hasResidentKey":true,"hasUserVerification":true,
                 "isUserVerified":true,"automaticPresenceSimulation":true}}""").getAsJsonObject();
        session.send("WebAuthn.addVirtualAuthenticator", options);
    }

    @Test
    void whoIsInTheDirectoryComesInByIt() {
        String mail = address("lin.ash");
        OfficePeople.there(BED, mail, "Lin Ash", Role.ADMINISTRATOR);
        try (Browser browser = new Browser(1280, 800)) {
            Page page = browser.open("/sign-in").page;
            browser.link("Sign in by the museum’s directory").click();
            page.getByLabel("Mail address").fill("nobody.here@elsewhere.example.org");
            browser.button("That is me").click();
            assertThat(page.getByText("The museum’s directory knows you, but you have no account here."))
                    .isVisible();
            assertThat(browser.barriers()).isEmpty();
            browser.link("Sign in by the museum’s directory").click();
            page.getByLabel("Mail address").fill(mail);
            browser.button("That is me").click();
            browser.heading("People").waitFor();
            // an administrator who is nothing else has these rooms alone
            assertThat(page.getByRole(AriaRole.NAVIGATION).getByRole(AriaRole.LINK))
                    .hasText(new String[] {"People"});
            browser.link("Trail of the office").click();
            browser.heading("Trail of the office").waitFor();
            assertThat(browser.barriers()).isEmpty();
            browser.open("/people/teams").heading("Teams").waitFor();
            browser.button("Make a team").first().click();
            Locator dialog = page.getByRole(AriaRole.DIALOG);
            dialog.getByLabel("Name of the team").fill("Team " + mail);
            dialog.getByLabel("Put somebody in").fill(mail);
            // those that were there before stand until the answer comes
            dialog.getByRole(AriaRole.LISTITEM)
                    .filter(new Locator.FilterOptions().setHasText("Lin Ash " + mail))
                    .getByRole(AriaRole.BUTTON)
                    .click();
            assertThat(browser.barriers()).isEmpty();
            dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Make a team"))
                    .click();
            assertThat(page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Team " + mail)))
                    .containsText("Lin Ash");
        }
    }
}
