package org.jalousie.core.evidence;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.regex.Pattern;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Catalogue;

/**
 * The words with which a person agrees to sign electronically. Every version stays in the program, so that the record of an
 * old agreement can be read with the words that were shown. What it has to tell a person: 15 U.S.C. § 7001(c)(1).
 */
public record ConsentWording(String version, String text, Sha256 hash) {
    private static final Pattern VERSION = Pattern.compile("[a-z]{2}-\\d{1,3}");

    /** The versions shown to people from now on, by language. */
    private static final Map<String, ConsentWording> CURRENT = Map.of(
            "en", load("en-2"),
            "nl", load("nl-2"),
            "de", load("de-2"),
            "fr", load("fr-2"));

    /** The wording in a language in which participants are spoken to. */
    public static ConsentWording in(Catalogue language) {
        return CURRENT.get(language.language());
    }

    /** Whether the words of a version are kept, and are those that have this SHA-256. */
    public static boolean isKept(String version, Sha256 hash) {
        return VERSION.matcher(version).matches()
                && ConsentWording.class.getResource("/consent/" + version + ".txt") != null
                && load(version).hash().equals(hash);
    }

    private static ConsentWording load(String version) {
        try (InputStream in = ConsentWording.class.getResourceAsStream("/consent/" + version + ".txt")) {
            byte[] bytes = in.readAllBytes();
            return new ConsentWording(version, new String(bytes, StandardCharsets.UTF_8).strip(), Sha256.of(bytes));
        } catch (IOException e) {
            throw new UncheckedIOException("the consent wording " + version + " is missing", e);
        }
    }
}
