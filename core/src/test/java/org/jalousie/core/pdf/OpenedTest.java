package org.jalousie.core.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.DeflaterOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class OpenedTest {
    private static final int MB = 1 << 20;

    /** Zeros, packed once or more often. */
    private static byte[] packed(int megabytes, int times) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        OutputStream pack = out;
        for (int i = 0; i < times; i++) pack = new DeflaterOutputStream(pack);
        byte[] some = new byte[MB];
        for (int i = 0; i < megabytes; i++) pack.write(some);
        pack.close();
        return out.toByteArray();
    }

    private static byte[] file(String dictionary, byte[]... streams) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes("%PDF-1.7\n".getBytes(StandardCharsets.US_ASCII));
        int number = 1;
        for (byte[] stream : streams) {
            out.writeBytes((number++ + " 0 obj\n<<" + dictionary + "/Length " + stream.length + ">>\nstream\r\n")
                    .getBytes(StandardCharsets.US_ASCII));
            out.writeBytes(stream);
            out.writeBytes("\nendstream\nendobj\n".getBytes(StandardCharsets.US_ASCII));
        }
        return out.toByteArray();
    }

    private static byte[] hex(byte[] data) {
        return (java.util.HexFormat.of().formatHex(data) + ">").getBytes(StandardCharsets.US_ASCII);
    }

    static Stream<Arguments> heavy() throws IOException {
        byte[] once = packed(210, 1);
        return Stream.of(
                Arguments.of("once", file("/Filter/FlateDecode", once)),
                Arguments.of("twice", file("/Filter[/FlateDecode/FlateDecode]", packed(210, 2))),
                Arguments.of("three times", file("/Filter[/Fl/Fl/Fl]", packed(210, 3))),
                Arguments.of("in letters", file("/Filter[/ASCIIHexDecode/FlateDecode]", hex(once))),
                Arguments.of("under another name", file("/Filter/Fl#61teDecode", once)),
                Arguments.of("said to be a picture", file("/Subtype/Image/Filter/FlateDecode", once)),
                Arguments.of("LZW", file("/Filter/LZWDecode", new byte[100_000])),
                Arguments.of("LZW under another name", file("/Filter/LZ#57Decode", new byte[100_000])),
                Arguments.of("LZW within deflate", file("/Filter[/LZWDecode /FlateDecode]", new byte[5_000])),
                Arguments.of("letters within letters", file("/Filter[/AHx/A85/Fl]", new byte[300_000])),
                Arguments.of("letters within deflate", file("/Filter[/Fl/AHx/Fl]", new byte[300])),
                Arguments.of("told elsewhere", file("/Filter 12 0 R", new byte[100_000])),
                Arguments.of("deflated four times", file("/Filter[/Fl/Fl/Fl/Fl]", new byte[1_000])),
                Arguments.of("run lengths", file("/Filter/RunLengthDecode", new byte[4 * MB])),
                Arguments.of("streams without end", "stream\n".repeat(3_000_000).getBytes(StandardCharsets.US_ASCII)));
    }

    private static byte[][] many(byte[] one, int times) {
        byte[][] all = new byte[times][];
        java.util.Arrays.fill(all, one);
        return all;
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("heavy")
    void whatBecomesTooLargeIsToldBeforeItIsOpened(String name, byte[] file) {
        assertThat(Opened.tooLarge(file)).isTrue();
    }

    @Test
    void whatBecomesTooLargeInManyStreamsIsToo() throws IOException {
        byte[] file = file("/Filter/FlateDecode", many(packed(20, 1), 6));
        assertThat(Opened.tooLarge(file, 100 * MB)).isTrue();
        assertThat(Opened.tooLarge(file, 200 * MB)).isFalse();
    }

    @Test
    void aLargeHonestFileIsNot() throws IOException {
        assertThat(Opened.tooLarge(file("/Filter/FlateDecode", many(packed(20, 1), 8))))
                .isFalse();
        assertThat(Opened.tooLarge(new byte[25 * MB])).isFalse();
        for (String picture :
                List.of("/Filter/DCTDecode", "/Filter[/FlateDecode/DCTDecode]", "/Filter/JBIG2Decode", ""))
            assertThat(Opened.tooLarge(file("/Subtype/Image/RL 3 " + picture, new byte[4 * MB])))
                    .as(picture)
                    .isFalse();
        assertThat(Opened.tooLarge(new byte[0])).isFalse();
    }
}
