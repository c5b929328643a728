package org.jalousie.server.adapters;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
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

    private final Map<String, String> known = new ConcurrentHashMap<>();

    /** The fonts among these that this machine lacks, each with what would be used instead. */
    public Map<String, String> replaced(Set<String> fonts) {
        Map<String, String> replaced = new TreeMap<>();
        for (String font : fonts) {
            String used = known.computeIfAbsent(font, FontFinder::ask);
            if (!used.isEmpty() && !used.equalsIgnoreCase(font) && !used.equals(SAME_WIDTHS.get(font)))
                replaced.put(font, used);
        }
        return replaced;
    }

    private static String ask(String font) {
        try {
            Process process = new ProcessBuilder("fc-match", "-f", "%{family[0]}", font.replaceAll("[-:,\\\\]", " "))
                    .redirectErrorStream(true)
                    .start();
            String answer = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            return process.waitFor(5, TimeUnit.SECONDS) && process.exitValue() == 0 ? answer.strip() : "";
        } catch (IOException e) {
            LOG.warn("fontconfig can't be asked for fonts");
            return "";
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return "";
        }
    }
}
