package org.jalousie.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import org.jalousie.core.json.Json;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class LinkTermsTest {
    @ParameterizedTest
    @CsvSource({
        "https://www.example.org,https://www.example.org",
        "' https://WWW.Example.org/ ',https://www.example.org",
        "http://127.0.0.1:8080,http://127.0.0.1:8080",
        "https://[2001:db8::1],https://[2001:db8::1]"
    })
    void anOriginIsKeptAsBrowsersCompareIt(String typed, String origin) {
        assertThat(LinkTerms.origin(typed)).contains(origin);
    }

    /** What would reach further in a header than one site, or end it. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "example.org",
                "*",
                "https://*.example.org",
                "https://example.org; script-src *",
                "https://example.org https://other.example.org",
                "https://example.org/page",
                "https://example.org?x",
                "https://nora@example.org",
                "javascript:alert(1)",
                "data:text/html,x",
                "https://example.org\r\nX: y"
            })
    void whatIsNoOriginIsNone(String typed) {
        assertThat(LinkTerms.origin(typed)).isEmpty();
    }

    @Test
    void whatIsLeftOutIsAsUsual() {
        LinkTerms terms = Json.MAPPER.readValue("{}", LinkTerms.class);
        assertThat(terms.wording()).isTrue();
        assertThat(terms.document()).isFalse();
        assertThat(terms.then()).isEqualTo(LinkTerms.Then.THANKS);
        assertThat(terms.fits()).isTrue();
    }

    @Test
    void aHeaderHoldsSoManySitesAndNoMore() {
        List<String> many = Collections.nCopies(21, "https://www.example.org");
        assertThat(new LinkTerms(many, "", null, false, true, "", "", "").fits())
                .isFalse();
        assertThat(new LinkTerms(many.subList(0, 20), "", null, false, true, "", "", "").fits())
                .isTrue();
    }
}
