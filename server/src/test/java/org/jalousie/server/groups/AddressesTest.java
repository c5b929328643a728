package org.jalousie.server.groups;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.jalousie.core.access.GroupRight;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AddressesTest {
    @ParameterizedTest
    @CsvSource({
        "GET, agreements/A-2026-0001, agreements, A-2026-0001, SEE",
        "HEAD, agreements/A-2026-0001/record.pdf, agreements, A-2026-0001, SEE",
        "POST, agreements/A-2026-0001/sending, agreements, A-2026-0001, USE",
        "GET, archive/A-2026-0001/evidence.asice, agreements, A-2026-0001, SEE",
        "POST, archive/A-2026-0001/verification, agreements, A-2026-0001, SEE",
        "POST, requests/R-2026-0001/pages, requests, R-2026-0001, SEE",
        "POST, requests/R-2026-0001/comments, requests, R-2026-0001, USE",
        "GET, requests/R-2026-0001/next, requests, R-2026-0001, SEE",
        "PUT, templates/x/content, templates, x, PREPARE",
        "POST, templates/x/form/state, templates, x, USE",
        "GET, templates/x/form, templates, x, USE",
        "PUT, archive/templates/x/columns, templates, x, PREPARE",
        "POST, archive/dates/x/settlement, dates, x, USE",
        "DELETE, archive/views/x, views, x, SEE",
        "GET, archive/something, agreements, something, SEE",
        "PUT, tables/x, tables, x, USE",
        "GET, scans/x/pages/1.jpg, scans, x, SEE",
        "DELETE, finished-files/x, finished-files, x, USE"
    })
    void whatIsMadeFromATemplateIsItsGroups(String method, String path, String kind, String key, GroupRight right) {
        assertThat(Addresses.of(method, path)).isEqualTo(new Addresses.Of(kind, key, Set.of(right)));
    }

    @Test
    void aTemplateIsLookedAtByWhoeverHasToDoWithIt() {
        assertThat(Addresses.of("GET", "templates/x")).isEqualTo(new Addresses.Of("templates", "x", GroupRight.all()));
        assertThat(Addresses.of("POST", "templates/x/versions/1/comparison"))
                .isEqualTo(new Addresses.Of("templates", "x", GroupRight.all()));
    }

    @ParameterizedTest
    @CsvSource({
        "GET, webhooks",
        "GET, record-systems/x/records",
        "GET, archive/filing",
        "GET, archive/stamps/state",
        "GET, daily-roots/check",
        "GET, archive/retention/due",
        "POST, archive/person/search",
        "GET, programs",
        "GET, something/new",
        "GET, something"
    })
    void whatIsAboutAllAndWhatNobodyKnowsIsForWhoSeesAll(String method, String path) {
        assertThat(Addresses.of(method, path)).isEqualTo(new Addresses.Everything(method.equals("POST")));
    }

    @ParameterizedTest
    @CsvSource({
        "GET, agreements",
        "GET, today",
        "GET, archive/groups",
        "GET, archive/reports/times/picture",
        "GET, registers/lenders/rows/x/requests",
        "POST, signing/secret/signature",
        "POST, requests",
        "POST, templates/composition",
        "POST, templates/attachments",
        "GET, session",
        "GET, archive"
    })
    void listsLeaveOutWhatIsntSeen(String method, String path) {
        assertThat(Addresses.of(method, path)).isEqualTo(new Addresses.Nothing());
    }
}
