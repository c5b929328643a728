package org.jalousie.core.lettering;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TypeSetterTest {
    private final TypeSetter setter = TypeSetter.here();

    @ParameterizedTest
    @ValueSource(
            strings = {
                "\u0141ukasz \u014cta-Nguy\u1ec5n",
                "\u0394\u03ae\u03bc\u03b7\u03c4\u03c1\u03b1",
                "\u05d3\u05d5\u05d3",
                "\u0645\u062d\u0645\u062f \u0627\u0644\u0623\u062d\u0645\u062f",
                "\u0915\u094d\u0937\u0924\u094d\u0930\u093f\u092f",
                "\u738b\u5c0f\u660e",
                "\uae40\ubbfc\uc900",
                "\u0e2a\u0e21\u0e0a\u0e32\u0e22"
            })
    void everyScriptThatTheMachineHasIsSet(String name) {
        assertThat(Glyphs.firstMissing(name)).isEmpty();
        SetLine line = setter.line(name);
        assertThat(line.text()).isEqualTo(name);
        assertThat(line.width()).isPositive();
        assertThat(line.runs().stream().flatMap(run -> run.letters().stream()))
                .noneMatch(letter -> letter.glyph() == 0);
    }

    @Test
    void whatNoFontHasIsNamed() {
        assertThat(Glyphs.firstMissing("a\uE123b")).hasValue(0xE123);
        assertThat(Glyphs.firstMissing("a\nb")).hasValue('\n');
        assertThat(Glyphs.firstMissing("a\uD800b")).hasValue(0xD800);
        assertThat(setter.line("a\uE123b").text()).isEqualTo("a?b");
    }

    @Test
    void aMachineWithoutFontsHasTheHousesOwn() {
        TypeSetter bare = new TypeSetter(new Typefaces(List.of(Path.of("/no/such/folder"))));
        assertThat(bare.has('\u00eb')).isTrue();
        assertThat(bare.has(0x738b)).isFalse();
        assertThat(bare.line("Zo\u00eb \u738b").text()).isEqualTo("Zo\u00eb ?");
    }

    @Test
    void lettersOfAScriptThatRunsFromTheRightAreSeenFromTheRight() {
        SetLine line = setter.line("Ada \u05d3\u05d5\u05d3 12");
        assertThat(line.runs()).extracting(SetLine.Run::rightToLeft).contains(true);
        // in sight: Latin, then the number (it reads on from the Hebrew word), which stands left of the word
        float[] xs = positions(line);
        assertThat(IntStream.range(1, xs.length).allMatch(i -> xs[i] >= xs[i - 1]))
                .isTrue();
        SetLine word = setter.line("\u05d3\u05d5\u05d3\u05d4");
        SetLine last = setter.line("\u05d4");
        assertThat(word.runs().get(0).letters().get(0).glyph())
                .isEqualTo(last.runs().get(0).letters().get(0).glyph());
    }

    @Test
    void arabicLettersJoinAndDevanagariOnesAreReordered() {
        int alone = setter.line("\u0645").runs().get(0).letters().get(0).glyph();
        List<SetLine.Letter> joined =
                setter.line("\u0645\u0645\u0645").runs().get(0).letters();
        assertThat(joined).extracting(SetLine.Letter::glyph).doesNotContain(alone);
        // the sign of a short i is written before the consonant it follows (The Unicode Standard, chapter 12.1)
        List<SetLine.Letter> ki = setter.line("\u0915\u093f").runs().get(0).letters();
        int k = setter.line("\u0915").runs().get(0).letters().get(0).glyph();
        assertThat(ki.get(1).glyph()).isEqualTo(k);
    }

    @Test
    void aMarkIsOneCharacterWithItsLetter() {
        assertThat(setter.line("e\u0301").text()).isEqualTo("\u00e9");
        assertThat(setter.line("Zo\u00eb").runs().get(0).plain()).isTrue();
    }

    private static float[] positions(SetLine line) {
        List<Float> all = line.runs().stream()
                .flatMap(run -> run.letters().stream())
                .map(SetLine.Letter::x)
                .toList();
        float[] xs = new float[all.size()];
        for (int i = 0; i < xs.length; i++) xs[i] = all.get(i);
        return xs;
    }
}
