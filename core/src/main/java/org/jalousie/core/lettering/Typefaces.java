package org.jalousie.core.lettering;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * The fonts in which words are set: the house's own first, and those of the machine for letters that it hasn't got, upright ones
 * of plain weight only. The machine's are looked for once, when they are first needed.
 */
final class Typefaces {
    private static final List<Path> FOLDERS = List.of(
            Path.of("/usr/share/fonts"),
            Path.of("/usr/local/share/fonts"),
            Path.of(System.getProperty("user.home", "/"), ".local/share/fonts"));

    private static final Pattern OTHER_CUTS = Pattern.compile(
            "bold|italic|oblique|light|thin|black|medium|condensed|narrow|mono|display|emoji|symbol",
            Pattern.CASE_INSENSITIVE);

    /** How many letters are remembered by the font that has them: as many as a large script has. */
    private static final int REMEMBERED = 50_000;

    private static final Typefaces HERE = new Typefaces(FOLDERS);

    private static final Path LIBERATION = FOLDERS.get(0).resolve("truetype/liberation");
    private static final Map<TypeStyle, Typefaces> STYLED = Map.of(
            TypeStyle.SANS,
            HERE,
            TypeStyle.SERIF,
            first(LIBERATION.resolve("LiberationSerif-Regular.ttf")),
            TypeStyle.MONO,
            first(LIBERATION.resolve("LiberationMono-Regular.ttf")));

    private final Typeface house;
    private final Optional<Typefaces> others;
    private final List<Path> folders;
    private final Map<Integer, Optional<Typeface>> byLetter = new HashMap<>();
    private List<Path> files;
    private final List<Typeface> opened = new ArrayList<>();
    private int next;

    Typefaces(List<Path> folders) {
        this(Typeface.ofTheHouse(), folders, Optional.empty());
    }

    private Typefaces(Typeface house, List<Path> folders, Optional<Typefaces> others) {
        this.house = house;
        this.folders = folders;
        this.others = others;
    }

    /** Those of this machine behind one of its fonts; without that one where it isn't there. */
    private static Typefaces first(Path file) {
        return Typeface.of(file)
                .map(one -> new Typefaces(one, FOLDERS, Optional.of(HERE)))
                .orElse(HERE);
    }

    /** Those of this machine, with one of a style before the others. */
    static Typefaces here(TypeStyle style) {
        return STYLED.get(style);
    }

    /** Those of this machine. */
    static Typefaces here() {
        return HERE;
    }

    Typeface house() {
        return house;
    }

    /** The first font that has a letter; empty when none has. */
    Optional<Typeface> with(int codePoint) {
        if (house.has(codePoint)) return Optional.of(house);
        return others.isPresent() ? others.get().with(codePoint) : ofTheMachine(codePoint);
    }

    private synchronized Optional<Typeface> ofTheMachine(int codePoint) {
        Optional<Typeface> known = byLetter.get(codePoint);
        if (known != null) return known;
        Optional<Typeface> found =
                opened.stream().filter(one -> one.has(codePoint)).findFirst().or(() -> further(codePoint));
        if (byLetter.size() >= REMEMBERED) byLetter.clear();
        byLetter.put(codePoint, found);
        return found;
    }

    /** Opens one font after the other until one has the letter. */
    private Optional<Typeface> further(int codePoint) {
        if (files == null) files = files();
        while (next < files.size()) {
            Optional<Typeface> one = Typeface.of(files.get(next++));
            one.ifPresent(opened::add);
            if (one.filter(typeface -> typeface.has(codePoint)).isPresent()) return one;
        }
        return Optional.empty();
    }

    private List<Path> files() {
        List<Path> all = new ArrayList<>();
        for (Path folder : folders) {
            if (!Files.isDirectory(folder)) continue;
            try (Stream<Path> walk = Files.walk(folder, 8)) {
                walk.filter(file -> file.toString()
                                .toLowerCase(java.util.Locale.ROOT)
                                .endsWith(".ttf"))
                        .filter(file -> !OTHER_CUTS
                                .matcher(file.getFileName().toString())
                                .find())
                        .forEach(all::add);
            } catch (IOException | java.io.UncheckedIOException e) {
                // a folder that can't be read has no fonts for us
            }
        }
        all.sort(Comparator.comparing(Typefaces::rank).thenComparing(Path::toString));
        return all;
    }

    /** Fonts that go with the house's, which has no serifs, come before others; first a family that is made for all scripts. */
    private static int rank(Path file) {
        String name = file.getFileName().toString();
        if (name.startsWith("NotoSans")) return 0;
        return name.contains("Sans") ? 1 : 2;
    }
}
