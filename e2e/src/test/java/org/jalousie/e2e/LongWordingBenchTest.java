package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.List;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The workbench with a wording of some sixty pages and four hundred fields. */
@Tag("bench")
class LongWordingBenchTest {
    private final Office office = new Office(Testbed.start().address());

    private static byte[] wording() {
        WordDraft draft = new WordDraft().title("Agreement {{f1}}");
        for (int i = 1; i <= 400; i++)
            draft.clause("The party {{f" + i + "}} agrees with the following. "
                    + "Words that fill the page and say little. ".repeat(18));
        return draft.paragraph("{{lender.signature}}").bytes();
    }

    @Test
    void opensSoonScrollsSmoothlyAndDrawsOnlyWhatIsNear() throws Exception {
        String template = office.bringIn("Sixty pages", wording()).get("id").asString();
        long asked = System.nanoTime();
        int pages = office.client
                .get("/api/v1/templates/" + template + "/preview")
                .json()
                .get("pages")
                .get("sizes")
                .size();
        System.out.println("pages " + pages + ", made in " + (System.nanoTime() - asked) / 1_000_000 + " ms");
        assertThat(pages).isBetween(50, 80);
        try (Browser browser = new Browser(1280, 800).signIn()) {
            browser.open("/templates").heading("Templates").waitFor();
            long start = System.nanoTime();
            browser.open("/templates/" + template);
            browser.page.locator("canvas[data-drawn]").first().waitFor();
            long first = (System.nanoTime() - start) / 1_000_000;
            browser.page.locator("[data-words='1'][data-laid]").waitFor();
            browser.page.waitForTimeout(1500);
            byte[] trace = browser.traced(() -> {
                browser.page.mouse().move(640, 500);
                for (int i = 0; i < 80; i++) {
                    browser.page.mouse().wheel(0, 300);
                    browser.page.waitForTimeout(60);
                }
                browser.page.waitForTimeout(500);
            });
            int canvases = browser.page.locator("canvas").count();
            java.nio.file.Files.write(java.nio.file.Path.of("target/scroll-trace.json"), trace);
            List<Long> tasks = tasks(trace);
            System.out.println("first page in " + first + " ms; " + tasks.size() + " tasks while scrolling, longest "
                    + tasks.stream().limit(5).toList() + " ms; drawn pages " + canvases + " of " + pages);
            assertThat(first).isLessThan(2000);
            assertThat(canvases).isLessThan(8);
            assertThat(tasks.get(0)).isLessThanOrEqualTo(50);
        }
    }

    /** How long the page's own thread was busy at a stretch, the longest first; in milliseconds. */
    private static List<Long> tasks(byte[] trace) throws Exception {
        JsonNode events = JsonMapper.shared().readTree(trace).get("traceEvents");
        List<String> mains = events.valueStream()
                .filter(one -> one.path("name").asString().equals("thread_name")
                        && one.path("args").path("name").asString().equals("CrRendererMain"))
                .map(one -> one.path("pid").asInt() + "/" + one.path("tid").asInt())
                .toList();
        return events.valueStream()
                .filter(one -> one.path("name").asString().endsWith("RunTask")
                        && mains.contains(
                                one.path("pid").asInt() + "/" + one.path("tid").asInt()))
                .map(one -> one.path("dur").asLong() / 1000)
                .sorted(Comparator.reverseOrder())
                .toList();
    }
}
