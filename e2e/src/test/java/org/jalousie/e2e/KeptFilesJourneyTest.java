package org.jalousie.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jalousie.server.Jalousie;
import org.jalousie.server.testbed.BucketServer;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Relay;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** An administrator has the office's files moved to a bucket; a coordinator has agreements filed to another one. */
class KeptFilesJourneyTest {
    private static final Testbed BED = Testbed.start();

    private static Locator section(Page page, String name) {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(name));
    }

    @Test
    void filesAreMovedAndAgreementsFiledToBuckets(@TempDir Path folder) {
        int port = TestPaths.freePort();
        String address = "http://127.0.0.1:" + port;
        try (BucketServer storage = new BucketServer();
                Relay way = new Relay(storage.port());
                ConfigurableApplicationContext ignored =
                        SpringApplication.run(Jalousie.class, BED.arguments(port, settings(folder, way)));
                Browser browser = new Browser(1280, 800, address).signIn()) {
            Office office = new Office(address);
            String number = office.completed(office.publish("Kept", Office.loanWording()), "Ida Marsh");
            moved(browser, way, storage);
            filed(browser, storage, number);
            assertThat(browser.complaints).isEmpty();
        }
    }

    private static List<String> settings(Path folder, Relay way) {
        List<String> settings = new ArrayList<>(List.of(
                "--spring.datasource.url=" + BED.newDatabase("kept_files"),
                "--spring.datasource.hikari.maximum-pool-size=8",
                "--jalousie.files=" + folder,
                "--jalousie.converter.port=" + TestPaths.freePort(),
                "--jalousie.converter.processes=1"));
        settings.addAll(BucketServer.arguments(way.address(), "office"));
        return settings;
    }

    private static void moved(Browser browser, Relay way, BucketServer storage) {
        Page page = browser.open("/people").page;
        browser.link("Where files are kept").click();
        Locator bucket = section(page, "A bucket of storage that speaks S3");
        assertThat(section(page, "A folder of the server").getByText("Files are kept here since"))
                .isVisible();
        assertThat(browser.barriers()).isEmpty();
        way.now(Relay.Way.CUT);
        browser.button("Keep files here").click();
        browser.button("Yes, move all files here").click();
        assertThat(bucket.getByText("Files can’t be kept there: The connection failed"))
                .isVisible();
        way.now(Relay.Way.THROUGH);
        browser.button("Keep files here").click();
        browser.button("Yes, move all files here").click();
        assertThat(bucket.getByText("Files are kept here since")).isVisible();
        page.setViewportSize(360, 740);
        assertThat(browser.barriers()).isEmpty();
        bucket.getByText("All files have been moved.").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        assertThat(storage.opened("office/kept/")
                        .list("", 1_000, Optional.empty())
                        .all())
                .isNotEmpty();
        page.setViewportSize(1280, 800);
        browser.link("People").click();
        browser.link("Trail of the office").click();
        assertThat(page.getByText("Moved the office’s files to the bucket")).isVisible();
    }

    private static void filed(Browser browser, BucketServer storage, String number) {
        Page page = browser.open("/archive/filing").page;
        browser.button("New place to file to").click();
        exact(page, "What it is called").fill("The cellar");
        exact(page, "What it is").selectOption("BUCKET");
        assertThat(exact(page, "Which bucket")).hasValue("");
        exact(page, "Which bucket").fill(storage.address() + "/Papers/");
        exact(page, "Key").fill(BucketServer.KEY);
        exact(page, "Secret of the key").fill("not this one");
        assertThat(browser.barriers()).isEmpty();
        browser.button("File there").click();
        assertThat(page.getByText("Name a bucket with its server")).isVisible();
        exact(page, "Which bucket").fill(storage.address() + "/papers/signed");
        browser.button("File there").click();
        Locator place = page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName("The cellar"));
        assertThat(place.getByText("doesn’t let us in")).isVisible();
        place.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Change"))
                .click();
        exact(page, "Secret of the key").fill(BucketServer.SECRET);
        browser.button("Keep it so").click();
        assertThat(place.getByText("1 filed, 0 waiting")).isVisible();
        Wait.until(
                "the index",
                () -> storage.opened("signed/").list("", 1_000, Optional.empty()).all().stream()
                        .anyMatch(one -> one.name().startsWith("index/")));
        assertThat(storage.opened("signed/").list("", 1_000, Optional.empty()).all())
                .anyMatch(one -> one.name().contains(number) && one.name().endsWith(".pdf"));
        assertThat(browser.barriers()).isEmpty();
    }

    private static Locator exact(Page page, String label) {
        return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
    }
}
