package org.jalousie.core.data;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class RichTextTest {
    @Test
    void onlyWhatIsAllowedStays() {
        assertThat(
                        RichText.sanitised(
                                "<p onclick='x()'>a <b>b</b><script>alert(1)</script>"
                                        + "<a href='javascript:x()'>c</a><a href='https://example.org'>d</a><table><tr><td>e</td></tr></table></p>"))
                .doesNotContain("script", "onclick", "javascript", "table")
                .contains("<b>b</b>", "<a href=\"https://example.org\">d</a>", "e");
    }

    @Test
    void paragraphsAndListsBecomeBlocks() {
        var blocks = RichText.blocks(
                "<p>one <i>two</i></p><ol><li>a<ul><li>b</li></ul></li></ol><p>c<br>d</p><ol><li>e</li></ol>");
        assertThat(blocks)
                .extracting(RichText.Block::kind)
                .containsExactly(
                        RichText.Kind.PARAGRAPH,
                        RichText.Kind.NUMBER,
                        RichText.Kind.BULLET,
                        RichText.Kind.PARAGRAPH,
                        RichText.Kind.NUMBER);
        assertThat(blocks).extracting(RichText.Block::depth).containsExactly(0, 0, 1, 0, 0);
        assertThat(blocks.get(4).list()).isEqualTo(2);
        assertThat(blocks.get(0).stretches().get(1).look().italic()).isTrue();
        assertThat(RichText.plain("<p>c<br>d</p><p>e</p>")).isEqualTo("c\nd\ne");
    }
}
