package org.jalousie.core.tables;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/** Which letters the bytes of a text file are. */
final class Encodings {
    private static final int LOOKED_AT = 4_000;

    private Encodings() {}

    /** By its mark, by zeros where Latin letters have them, by being UTF-8 throughout; else what Windows writes in the West. */
    static String recognised(Path file) {
        byte[] first;
        try (InputStream in = Files.newInputStream(file)) {
            first = in.readNBytes(LOOKED_AT);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        // Unicode 16.0 §23.8, "Byte Order Mark"
        if (first.length > 1 && at(first, 0) == 0xff && at(first, 1) == 0xfe) return "UTF-16LE";
        if (first.length > 1 && at(first, 0) == 0xfe && at(first, 1) == 0xff) return "UTF-16BE";
        int even = 0;
        int odd = 0;
        for (int i = 0; i < first.length; i++)
            if (first[i] == 0)
                if (i % 2 == 0) even++;
                else odd++;
        if (odd > first.length / 4) return "UTF-16LE";
        if (even > first.length / 4) return "UTF-16BE";
        return isUtf8(file) ? "UTF-8" : "windows-1252";
    }

    private static int at(byte[] bytes, int i) {
        return bytes[i] & 0xff;
    }

    private static boolean isUtf8(Path file) {
        char[] buffer = new char[16_384];
        try (Reader in = strict(file, StandardCharsets.UTF_8)) {
            while (in.read(buffer) >= 0) continue;
            return true;
        } catch (CharacterCodingException e) {
            return false;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The file's letters without its mark; reading fails at what the encoding doesn't have. */
    static Reader open(Path file, String encoding) throws IOException {
        Reader in = strict(file, Charset.forName(encoding));
        in.mark(1);
        if (in.read() != 0xfeff) in.reset();
        return in;
    }

    private static Reader strict(Path file, Charset charset) throws IOException {
        return new BufferedReader(
                new InputStreamReader(
                        Files.newInputStream(file),
                        charset.newDecoder()
                                .onMalformedInput(CodingErrorAction.REPORT)
                                .onUnmappableCharacter(CodingErrorAction.REPORT)),
                32_768);
    }
}
