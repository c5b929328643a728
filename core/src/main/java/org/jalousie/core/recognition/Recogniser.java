package org.jalousie.core.recognition;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Tells which of many templates a finished file may have been made from. */
public final class Recogniser {
    /** Words of a file's beginning and end among which those of a template are looked for: its values stand between them. */
    private static final int LOOKED_THROUGH = 70;

    /** So many of the 25 words at either end have to be there for a text to begin or end like another. */
    private static final int ENOUGH_AT_EDGE = 20;

    /** Templates with fewer words of their own are never taken for sure: anything may have so few. */
    private static final int FEWEST_WORDS = 25;

    private static final double SURE = 0.85;
    private static final double SURE_WITH_EDGES = 0.8;
    /** What is so much farther than the nearest is not read. */
    private static final double WORTH_READING = 0.4;

    /** How much nearer the nearest has to be than the next. */
    private static final double LEAD = 0.01;

    private static final double POSSIBLE = 0.4;

    private Recogniser() {}

    /** A template by which a file may be known. @param key whatever tells it from others */
    public record Known<K>(K key, Fingerprint print) {}

    /**
     * A template that a file may have been made from.
     *
     * @param begins how many of its first 25 words the file begins with, in their order; {@code ends} of its last
     * @param nearness how much of their marks both have, from 0 to 1
     */
    public record Candidate<K>(K key, int begins, int ends, double nearness) {
        private double rank() {
            return nearness + (begins + ends) / (8.0 * Fingerprint.EDGE_WORDS);
        }
    }

    /** How sure it is that a file was made from a template. */
    public enum Verdict {
        SURE,
        POSSIBLE,
        NO
    }

    /** The nearest templates, the nearest first; none that has nothing in common with the file. */
    public static <K> List<Candidate<K>> nearest(FileText file, Collection<Known<K>> known, int most) {
        Fingerprint print = Fingerprint.of(file, LOOKED_THROUGH);
        List<Candidate<K>> ranked = known.stream()
                .map(one -> candidate(one, print))
                .filter(one -> one.nearness() > 0 || one.begins() + one.ends() >= 2 * ENOUGH_AT_EDGE)
                .sorted(Comparator.comparingDouble((Candidate<K> one) -> -one.rank()))
                .limit(most)
                .toList();
        return ranked.stream()
                .filter(one -> one.rank() >= WORTH_READING * ranked.get(0).rank())
                .toList();
    }

    private static <K> Candidate<K> candidate(Known<K> known, Fingerprint file) {
        Fingerprint print = known.print();
        double marks = Math.sqrt((double) print.marks().length * file.marks().length);
        return new Candidate<>(
                known.key(),
                inOrder(print.begins(), file.begins()),
                inOrder(print.ends(), file.ends()),
                marks == 0 ? 0 : print.inCommon(file) / marks);
    }

    /** The longest row of words that both have in one order. */
    private static int inOrder(List<String> one, List<String> other) {
        int[] row = new int[other.size() + 1];
        for (String word : one) {
            int diagonal = 0;
            for (int k = 1; k < row.length; k++) {
                int above = row[k];
                row[k] = word.equals(other.get(k - 1)) ? diagonal + 1 : Math.max(above, row[k - 1]);
                diagonal = above;
            }
        }
        return row[other.size()];
    }

    /** Reads a file as one that was made from a template, whether it was or not. */
    public static Reading read(FileText file, TemplateText template) {
        return PathReading.of(file, template);
    }

    /** A candidate with the file read as made from it. */
    public record Judged<K>(Candidate<K> candidate, Reading reading) {
        public Verdict verdict() {
            return Recogniser.verdict(candidate, reading);
        }
    }

    /** The one of several that it is; empty where none is sure, or two are as near as each other. */
    public static <K> Optional<Judged<K>> decided(List<Judged<K>> judged) {
        List<Judged<K>> best = judged.stream()
                .filter(one -> one.verdict() != Verdict.NO)
                .sorted(Comparator.comparingDouble(one -> -one.reading().likeness()))
                .limit(2)
                .toList();
        if (best.isEmpty() || best.get(0).verdict() != Verdict.SURE) return Optional.empty();
        boolean alone = best.size() == 1
                || best.get(0).reading().likeness() - best.get(1).reading().likeness() >= LEAD;
        return alone ? Optional.of(best.get(0)) : Optional.empty();
    }

    public static Verdict verdict(Candidate<?> candidate, Reading reading) {
        boolean atEdges = candidate.begins() >= ENOUGH_AT_EDGE && candidate.ends() >= ENOUGH_AT_EDGE;
        if (reading.words() >= FEWEST_WORDS && reading.likeness() >= (atEdges ? SURE_WITH_EDGES : SURE))
            return Verdict.SURE;
        return reading.likeness() >= POSSIBLE ? Verdict.POSSIBLE : Verdict.NO;
    }
}
