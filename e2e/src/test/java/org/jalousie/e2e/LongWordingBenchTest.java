package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
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

    private static byte[] wording(int fields) {
        WordDraft draft = new WordDraft().title("Agreement {{f1}}");
        for (int i = 1; i <= fields; i++)
            draft.clause("The party {{f" + i + "}} agrees with the following. "
                    + "Words that fill the page and say little. ".repeat(18));
        return draft.paragraph("{{lender.signature}}").bytes();
    }

    @Test
    void opensSoonScrollsSmoothlyAndDrawsOnlyWhatIsNear() throws Exception {
        String template = office.bringIn("Sixty pages", wording(400)).get("id").asString();
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

    /** From the last key of a new label to the pages that print it. */
    @Test
    void redrawsTenPagesWithinASecond() {
        String template = office.bringIn("Ten pages", wording(60)).get("id").asString();
        try (Browser browser = new Browser(1280, 800).signIn()) {
            browser.open("/templates/" + template + "?open=field.f2");
            browser.page.locator("[data-words='1'][data-laid]").waitFor();
            List<Long> took = new java.util.ArrayList<>();
            for (int i = 0; i < 15; i++) {
                browser.page
                        .getByLabel("Label in the form", new Page.GetByLabelOptions().setExact(true))
                        .fill("Name " + i);
                long start = System.nanoTime();
                browser.page.waitForFunction(
                        "label => document.querySelector(\"[data-words='1']\").textContent.includes(label)",
                        "[Name " + i + "]");
                took.add((System.nanoTime() - start) / 1_000_000);
            }
            System.out.println("redrawn after a change in " + took + " ms");
            assertThat(took.stream().skip(4).sorted().toList().get(5)).isLessThan(1000);
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
        // the trace starts a profiler of its own within the first task that runs script; that one is not the page's
        List<JsonNode> starts = events.valueStream()
                .filter(one -> one.path("name").asString().equals("V8.InvokeApiInterruptCallbacks"))
                .toList();
        return events.valueStream()
                .filter(one -> one.path("name").asString().equals("ThreadControllerImpl::RunTask")
                        && mains.contains(
                                one.path("pid").asInt() + "/" + one.path("tid").asInt())
                        && starts.stream().noneMatch(start -> within(start, one)))
                .map(one -> one.path("dur").asLong() / 1000)
                .sorted(Comparator.reverseOrder())
                .toList();
    }

    private static boolean within(JsonNode inner, JsonNode outer) {
        long at = inner.path("ts").asLong() - outer.path("ts").asLong();
        return inner.path("tid").asInt() == outer.path("tid").asInt()
                && inner.path("pid").asInt() == outer.path("pid").asInt()
                && at >= 0
                && at <= outer.path("dur").asLong();
    }
}
