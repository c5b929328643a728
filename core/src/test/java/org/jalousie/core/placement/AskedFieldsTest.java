package org.jalousie.core.placement;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.jalousie.core.json.Json;
import org.jalousie.core.parties.PartyKey;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Which fields are asked for and which can't be left empty, on 300 generated sets of fields and answers. What is judged here is
 * kept beside the tests, and the signing page judges the same cases in {@code web/src/signingFields/shown.test.ts}. After a
 * change of the rules the file is written anew with {@code -Dasked.update=true}.
 */
class AskedFieldsTest {
    private static final Path FILE = Path.of("src/test/resources/asked-fields.json");
    private static final List<String> ANSWERS = List.of("", " ", "yes", "no", "Yes", " yes\t", "yes\u00a0", "y\u00e9s");
    private static final List<String> NAMES = List.of("a", "b", "c", "d", "e", "f");

    @Test
    void threeHundredCasesAreJudgedAsTheSigningPageJudgesThem() throws IOException {
        ArrayNode cases = Json.MAPPER.createArrayNode();
        Random random = new Random(2026);
        for (int i = 0; i < 300; i++) cases.add(one(random));
        String written = Json.MAPPER.writeValueAsString(cases).replace("},{\"fields\"", "},\n{\"fields\"") + "\n";
        if (Boolean.getBoolean("asked.update")) Files.writeString(FILE, written);
        assertThat(Files.readString(FILE)).isEqualTo(written);
        // the cases are worth something: they differ, and all kinds of outcomes are among them
        assertThat(cases.valueStream()
                        .filter(one -> one.get("required").isEmpty())
                        .count())
                .isBetween(5L, 250L);
        assertThat(cases.valueStream()
                        .filter(one ->
                                one.get("shown").size() < one.get("fields").size())
                        .count())
                .isGreaterThan(150);
    }

    private static ObjectNode one(Random random) {
        int count = 1 + random.nextInt(NAMES.size());
        List<SigningField> fields = new ArrayList<>();
        Map<String, String> answers = new LinkedHashMap<>();
        for (String name : NAMES.subList(0, count)) {
            fields.add(new SigningField(
                    name,
                    new PartyKey("lender"),
                    name,
                    new TextPlace(random.nextInt(3) == 0, ""),
                    "",
                    condition(random, count),
                    condition(random, count),
                    ValueFrom.NOTHING,
                    Repeats.USUAL));
            if (random.nextInt(4) > 0) answers.put(name, pick(random, ANSWERS));
        }
        Set<String> shown = ShownFields.among(fields, answers);
        ObjectNode one = Json.MAPPER.createObjectNode();
        ArrayNode all = one.putArray("fields");
        for (SigningField field : fields) {
            ObjectNode kept = all.addObject();
            kept.put("name", field.name());
            kept.put("required", field.type().required());
            kept.set("when", Json.MAPPER.valueToTree(field.when()));
            kept.set("requiredWhen", Json.MAPPER.valueToTree(field.requiredWhen()));
        }
        one.set("answers", Json.MAPPER.valueToTree(answers));
        one.set("shown", Json.MAPPER.valueToTree(shown));
        ArrayNode required = one.putArray("required");
        fields.stream()
                .filter(field -> shown.contains(field.name()) && ShownFields.required(field, shown, answers))
                .forEach(field -> required.add(field.name()));
        return one;
    }

    private static ShownWhen condition(Random random, int count) {
        if (random.nextInt(5) < 2) return ShownWhen.ALWAYS;
        // now and then a field that isn't there, or itself
        String other = random.nextInt(8) == 0 ? "gone" : NAMES.get(random.nextInt(count));
        return new ShownWhen(other, random.nextBoolean() ? "" : pick(random, List.of("yes", "no")));
    }

    private static String pick(Random random, List<String> from) {
        return from.get(random.nextInt(from.size()));
    }
}
