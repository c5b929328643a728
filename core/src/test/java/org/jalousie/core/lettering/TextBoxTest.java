package org.jalousie.core.lettering;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class TextBoxTest {
    private final TypeSetter setter = TypeSetter.here();
    private final TextBox line = new TextBox(170, 17, 10, false);
    private final TextBox room = new TextBox(340, 68, 12, true);

    @Test
    void wordsThatFitHaveTheSizeThatIsWished() {
        assertThat(line.set("GB 123 4567", setter).orElseThrow().size()).isEqualTo(10);
        assertThat(line.set("", setter).orElseThrow().size()).isEqualTo(10);
    }

    @Test
    void longOnesAreSetSmallerAndFillTheirRoomUntilTheyCouldNotBeRead() {
        String words = "The Museum of Instruments, Department of Strings";
        TextBox.Block block = line.set(words, setter).orElseThrow();
        assertThat(block.size()).isBetween(6f, 9.5f);
        assertThat(block.lines().get(0).width(block.size())).isBetween(160f, 166.1f);
        assertThat(line.set(words.repeat(2), setter)).isEmpty();
    }

    @Test
    void manyLinesBreakBetweenWordsAndNoneIsWiderThanTheRoom() {
        String words = "A scratch of four millimetres beside the bridge, older than the loan. ".repeat(6);
        TextBox.Block block = room.set(words, setter).orElseThrow();
        assertThat(block.lines()).hasSizeGreaterThan(3);
        assertThat(block.lines()).allMatch(one -> one.width(block.size()) <= 336.1f);
        assertThat(String.join(" ", block.lines().stream().map(SetLine::text).toList()))
                .isEqualTo(words.strip());
        assertThat(block.lines().size() * block.size() * TextBox.LEADING).isLessThanOrEqualTo(68);
    }

    @Test
    void linesOfTheirOwnStayAndAWordWithoutEndIsBroken() {
        assertThat(room.set("one\n\ntwo", setter).orElseThrow().lines())
                .extracting(SetLine::text)
                .containsExactly("one", "", "two");
        TextBox.Block block = room.set("x".repeat(150), setter).orElseThrow();
        assertThat(block.lines().size()).isGreaterThan(1);
        assertThat(block.lines()).allMatch(one -> one.width(block.size()) <= 336.1f);
    }

    @Test
    void whatIsTooLongIsRefusedWithoutMeasuringIt() {
        long before = System.nanoTime();
        assertThat(room.set("word ".repeat(400_000), setter)).isEmpty();
        assertThat(line.set("w".repeat(2_000_000), setter)).isEmpty();
        assertThat(System.nanoTime() - before).isLessThan(2_000_000_000L);
    }

    @Test
    void scriptsWithoutBlanksBreakBetweenTheirLetters() {
        List<SetLine> lines = TextBox.lines("\u738b\u5c0f\u660e".repeat(20), 100, 10, setter);
        assertThat(lines).hasSizeGreaterThan(4).allMatch(one -> one.width(10) <= 100);
    }
}
