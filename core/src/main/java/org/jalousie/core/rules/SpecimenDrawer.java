package org.jalousie.core.rules;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.IntConsumer;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.Value;

/**
 * Draws up test data that reaches every case of every rule with as few sets as it can find. It looks for data by changing
 * fields to values around the constants that the rules compare with, always in the same order, so that the same template
 * gives the same specimens.
 */
public final class SpecimenDrawer {
    private static final int MOST_TRIES = 3_000;
    private static final int ENOUGH_WITHOUT_GAIN = 800;
    private static final int MOST_KEPT = 300;

    private final RuleSet rules;
    private final List<RuleCase> cases;
    private final Alternatives alternatives;
    private final RuleSet.Memory memory = new RuleSet.Memory(true);
    private final Random random = new Random(20);

    private SpecimenDrawer(RuleSet rules) {
        this.rules = rules;
        this.cases = rules.cases();
        this.alternatives = new Alternatives(rules.constants());
    }

    /**
     * @param sets the data sets, fewest found
     * @param unreached cases for which no data was found: probably conditions that are never, or always, true
     */
    public record Drawn(List<DrawnSet> sets, List<RuleCase> unreached) {}

    /** @param adds the cases that no set before this one reaches */
    public record DrawnSet(Map<String, Value> values, List<RuleCase> adds) {}

    private record Candidate(Map<String, Value> values, Set<RuleCase> reached) {}

    /** Draws up sets for a template's rules. */
    public static Drawn draw(RuleSet rules) {
        return draw(rules, reached -> {});
    }

    /** @param progress told, whenever there is one more, how many of the rules' cases some data reach */
    public static Drawn draw(RuleSet rules, IntConsumer progress) {
        return new SpecimenDrawer(rules).search(progress);
    }

    private Drawn search(IntConsumer progress) {
        List<Candidate> kept = new ArrayList<>();
        Set<RuleCase> reached = new HashSet<>();
        Candidate base = candidate(Samples.typical(rules.fields()));
        kept.add(base);
        reached.addAll(base.reached);
        int withoutGain = 0;
        for (int i = 0; i < MOST_TRIES && withoutGain < ENOUGH_WITHOUT_GAIN; i++) {
            if (reached.size() == cases.size() && withoutGain > 60) break;
            Candidate from = kept.get(random.nextInt(kept.size()));
            Candidate next = candidate(changed(from.values));
            boolean gain = reached.addAll(next.reached);
            if (gain) progress.accept(reached.size());
            withoutGain = gain ? 0 : withoutGain + 1;
            boolean other = kept.stream().noneMatch(one -> one.reached.containsAll(next.reached));
            // what alone reaches a case is kept however many there are: without it no cover would be complete
            if (gain || other && kept.size() < MOST_KEPT) kept.add(next);
        }
        List<RuleCase> unreached =
                cases.stream().filter(one -> !reached.contains(one)).toList();
        return new Drawn(inOrder(fewest(kept, reached), reached), unreached);
    }

    private Candidate candidate(Map<String, Value> values) {
        return new Candidate(values, rules.reached(values, memory));
    }

    private Map<String, Value> changed(Map<String, Value> from) {
        Map<String, Value> values = new LinkedHashMap<>(from);
        List<Field> fields = rules.fields();
        if (fields.isEmpty()) return values;
        int changes = 1 + random.nextInt(3);
        for (int i = 0; i < changes; i++) {
            Field field = fields.get(random.nextInt(fields.size()));
            Optional<Value> value = alternatives.pick(
                    field, Optional.ofNullable(values.get(field.name().value())), random);
            value.ifPresentOrElse(
                    one -> values.put(field.name().value(), one),
                    () -> values.remove(field.name().value()));
        }
        return values;
    }

    /** A smallest cover: greedy first, then every set that the others make needless is dropped, then pairs tried for one. */
    private static List<Candidate> fewest(List<Candidate> from, Set<RuleCase> wanted) {
        List<Candidate> cover = new ArrayList<>();
        Set<RuleCase> left = new HashSet<>(wanted);
        while (!left.isEmpty()) {
            Candidate best = from.stream()
                    .max(Comparator.comparingInt(one -> gain(one, left)))
                    .orElseThrow();
            if (gain(best, left) == 0) break;
            cover.add(best);
            left.removeAll(best.reached);
        }
        boolean smaller = true;
        while (smaller) smaller = dropOne(cover, wanted) || twoForOne(cover, from, wanted);
        return cover;
    }

    private static int gain(Candidate one, Set<RuleCase> left) {
        return (int) one.reached.stream().filter(left::contains).count();
    }

    private static boolean dropOne(List<Candidate> cover, Set<RuleCase> wanted) {
        for (int i = 0; i < cover.size(); i++) {
            List<Candidate> rest = new ArrayList<>(cover);
            rest.remove(i);
            if (covers(rest, wanted)) {
                cover.remove(i);
                return true;
            }
        }
        return false;
    }

    private static boolean twoForOne(List<Candidate> cover, List<Candidate> from, Set<RuleCase> wanted) {
        for (int i = 0; i < cover.size(); i++) {
            for (int j = i + 1; j < cover.size(); j++) {
                List<Candidate> rest = new ArrayList<>(cover);
                rest.remove(j);
                rest.remove(i);
                Set<RuleCase> left = new HashSet<>(wanted);
                rest.forEach(one -> left.removeAll(one.reached));
                Optional<Candidate> instead = from.stream()
                        .filter(one -> one.reached.containsAll(left))
                        .findFirst();
                if (instead.isPresent()) {
                    cover.clear();
                    cover.addAll(rest);
                    cover.add(instead.get());
                    return true;
                }
            }
        }
        return false;
    }

    private static boolean covers(List<Candidate> some, Set<RuleCase> wanted) {
        Set<RuleCase> left = new HashSet<>(wanted);
        some.forEach(one -> left.removeAll(one.reached));
        return left.isEmpty();
    }

    private List<DrawnSet> inOrder(List<Candidate> cover, Set<RuleCase> reached) {
        Set<RuleCase> left = new HashSet<>(reached);
        List<DrawnSet> sets = new ArrayList<>();
        for (Candidate one : cover) {
            List<RuleCase> adds = cases.stream()
                    .filter(c -> left.contains(c) && one.reached.contains(c))
                    .toList();
            left.removeAll(one.reached);
            sets.add(new DrawnSet(one.values, adds));
        }
        return sets;
    }
}
