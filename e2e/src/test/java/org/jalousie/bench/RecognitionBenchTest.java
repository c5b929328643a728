package org.jalousie.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.recognition.Fingerprint;
import org.jalousie.core.recognition.Recogniser;
import org.jalousie.core.recognition.RecognitionSet;
import org.jalousie.core.recognition.TemplateText;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What it costs to recognise a file among few templates and among many. */
@Tag("bench")
class RecognitionBenchTest {
    private static final int FEW = 50;
    private static final int MANY = 2000;

    private final List<RecognitionSet.Draft> drafts = RecognitionSet.templates(MANY);
    private final Map<Integer, TemplateText> texts = new HashMap<>();
    private final List<Recogniser.Known<Integer>> known = new ArrayList<>();

    RecognitionBenchTest() {
        for (RecognitionSet.Draft draft : drafts) {
            TemplateText text = draft.text();
            texts.put(draft.number(), text);
            known.add(new Recogniser.Known<>(draft.number(), Fingerprint.of(text)));
        }
    }

    private Object nearest(List<RecognitionSet.Variant> files, List<Recogniser.Known<Integer>> among) {
        return files.stream()
                .map(one -> Recogniser.nearest(one.file(), among, 5))
                .toList();
    }

    private Object recognised(List<RecognitionSet.Variant> files, List<Recogniser.Known<Integer>> among) {
        return files.stream()
                .flatMap(one -> Recogniser.nearest(one.file(), among, 5).stream()
                        .map(candidate -> Recogniser.read(one.file(), texts.get(candidate.key()))))
                .toList();
    }

    @Test
    void amongFiftyAndTwoThousand() throws Exception {
        List<RecognitionSet.Variant> variants = RecognitionSet.variants(drafts.subList(0, FEW), 20);
        List<Recogniser.Known<Integer>> few = known.subList(0, FEW);
        double[] nearest =
                BenchTest.compare(9, 1, List.of(() -> nearest(variants, known), () -> nearest(variants, few)));
        BenchTest.print("nearest of 2,000 templates, 20 files", nearest[0], "nearest of 50", nearest[1], "40 (linear)");
        double[] whole =
                BenchTest.compare(9, 1, List.of(() -> recognised(variants, known), () -> recognised(variants, few)));
        BenchTest.print("20 files recognised among 2,000", whole[0], "recognised among 50", whole[1], "40 (linear)");
    }
}
