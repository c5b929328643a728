package org.jalousie.core.recognition;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.junit.jupiter.api.Test;

/** Which template a finished file was made from. */
class RecogniserTest {
    private final List<RecognitionSet.Draft> drafts = RecognitionSet.templates(50);
    private final Map<Integer, TemplateText> texts = new HashMap<>();
    private final List<Recogniser.Known<Integer>> known = new ArrayList<>();

    RecogniserTest() {
        for (RecognitionSet.Draft draft : drafts) {
            TemplateText text = draft.text();
            texts.put(draft.number(), text);
            known.add(new Recogniser.Known<>(
                    draft.number(), Fingerprint.read(Fingerprint.of(text).bytes())));
        }
    }

    private record Found(int template, Recogniser.Verdict verdict, double likeness) {}

    private Found recognise(FileText file) {
        Found best = new Found(-1, Recogniser.Verdict.NO, 0);
        for (Recogniser.Candidate<Integer> candidate : Recogniser.nearest(file, known, 5)) {
            Reading reading = Recogniser.read(file, texts.get(candidate.key()));
            Found found = new Found(candidate.key(), Recogniser.verdict(candidate, reading), reading.likeness());
            if (found.likeness() > best.likeness()) best = found;
        }
        return best;
    }

    @Test
    void filesMadeFromATemplateAreFoundWhateverWasDoneToThem() {
        Map<String, Integer> right = new ConcurrentHashMap<>();
        Map<String, Integer> sure = new ConcurrentHashMap<>();
        RecognitionSet.variants(drafts, 500).parallelStream().forEach(variant -> {
            Found found = recognise(variant.file());
            if (found.template() != variant.template()) return;
            right.merge(variant.kind(), 1, Integer::sum);
            if (found.verdict() == Recogniser.Verdict.SURE) sure.merge(variant.kind(), 1, Integer::sum);
        });
        assertThat(right.values()).hasSize(5).allMatch(count -> count == 100);
        assertThat(sure).isEqualTo(right);
    }

    @Test
    void filesThatBelongToNoTemplateAreNeverTakenForSure() {
        List<Found> found = RecognitionSet.strangers(drafts, 200).parallelStream()
                .map(variant -> recognise(variant.file()))
                .toList();
        assertThat(found).hasSize(200).noneMatch(one -> one.verdict() == Recogniser.Verdict.SURE);
        assertThat(found).as("none comes near").noneMatch(one -> one.likeness() > 0.75);
    }
}
