package org.jalousie.server.adapters;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.jalousie.core.template.Wordings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Asks fontconfig, by which the converter finds its fonts, what it would use for a font. */
@Component
public class FontFinder {
    private static final Logger LOG = LoggerFactory.getLogger(FontFinder.class);

    /** Fonts of the same widths: replacing one by the other moves no line. (common practice, no source) */
    private static final Map<String, String> SAME_WIDTHS = Map.of(
            "Calibri", "Carlito",
            "Cambria", "Caladea",
            "Arial", "Liberation Sans",
            "Helvetica", "Liberation Sans",
            "Times New Roman", "Liberation Serif",
            "Courier New", "Liberation Mono");

    /** Names of fonts come from files that people bring, so not all of them are remembered. */
    private static final int REMEMBERED = 5_000;

    private static final Duration LONGEST = Duration.ofSeconds(5);

    private final Cache<String, String> known =
            Caffeine.newBuilder().maximumSize(REMEMBERED).build();
    private final Cache<String, Boolean> scriptsKnown =
            Caffeine.newBuilder().maximumSize(REMEMBERED).build();

    /** Asks for all of it now, while nothing is held: later answers come from memory. */
    public void learn(Wordings wordings) {
        replaced(wordings.fonts());
        unprintable(wordings.scripts());
    }

    /** The fonts among these that this machine lacks, each with what would be used instead. */
    public Map<String, String> replaced(Set<String> fonts) {
        Map<String, String> replaced = new TreeMap<>();
        for (String font : fonts) {
            String used = known.get(font, FontFinder::ask);
            if (!used.isEmpty() && !used.equalsIgnoreCase(font) && !used.equals(SAME_WIDTHS.get(font)))
                replaced.put(font, used);
        }
        return replaced;
    }

    /**
     * The scripts whose letters no font of this machine has: they would print as boxes.
     *
     * @param scripts by name, some of the letters
     */
    public List<String> unprintable(Map<String, String> scripts) {
        List<String> unprintable = new ArrayList<>();
        scripts.forEach((script, letters) -> {
            if (!scriptsKnown.get(script + letters, key -> hasLetters(letters))) unprintable.add(script);
        });
        return unprintable;
    }

    /** When fontconfig can't be asked, nothing is known against the letters. */
    private static boolean hasLetters(String letters) {
        String codes = letters.codePoints().mapToObj(Integer::toHexString).collect(Collectors.joining(" "));
        return said("fc-list", ":charset=" + codes, "family")
                .filter(String::isEmpty)
                .isEmpty();
    }

    private static String ask(String font) {
        return said("fc-match", "-f", "%{family[0]}", font.replaceAll("[-:,\\\\]", " "))
                .orElse("");
    }

    private static Optional<String> said(String... command) {
        try {
            Process process =
                    new ProcessBuilder(command).redirectErrorStream(true).start();
            // one that hangs is ended, and its end closes what is read here
            CompletableFuture.delayedExecutor(LONGEST.toSeconds(), TimeUnit.SECONDS)
                    .execute(process::destroyForcibly);
            String answer = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            return process.waitFor(LONGEST.toSeconds(), TimeUnit.SECONDS) && process.exitValue() == 0
                    ? Optional.of(answer.strip())
                    : Optional.empty();
        } catch (IOException e) {
            LOG.warn("fontconfig can't be asked for fonts");
            return Optional.empty();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        }
    }
}
