package org.jalousie.core.placement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class RepeatedFieldsTest {
    private static final SigningField SOLD = ShownFieldsTest.waiting("sold", "", "");
    private static final SigningField PRICE = ShownFieldsTest.waiting("price", "sold", "yes");

    @Test
    void inAListEachWaitsForTheOneOfItsOwnItem() {
        assertThat(conditions(Set.of(), 1, 2, 1, 2, 1, 2))
                .containsExactly("sold", "price < sold", "sold_2", "price_2 < sold_2", "sold_3", "price_3 < sold_3");
    }

    @Test
    void theOneThatIsWaitedForMayStandBehind() {
        assertThat(conditions(Set.of(), 2, 1, 2, 1))
                .containsExactly("price < sold", "sold", "price_2 < sold_2", "sold_2");
    }

    @Test
    void oneThatStandsOnceIsWaitedForByAll() {
        assertThat(conditions(Set.of(), 1, 2, 2)).containsExactly("sold", "price < sold", "price_2 < sold");
    }

    @Test
    void whereNotEveryItemHasBothItIsTheNearestBefore() {
        assertThat(conditions(Set.of(), 1, 2, 1, 1, 2))
                .containsExactly("sold", "price < sold", "sold_2", "sold_3", "price_2 < sold_3");
    }

    @Test
    void oneThatIsNotThereIsWaitedForByItsName() {
        assertThat(conditions(Set.of(), 2)).containsExactly("price < sold");
    }

    @Test
    void inAHeaderOnePlaceAnswersForAll() {
        Map<Integer, SigningField> boxes = Map.of(1, SOLD);
        RepeatedFields repeated = new RepeatedFields(boxes, Set.of(1));
        repeated.next(1);
        assertThat(repeated.next(1)).satisfies(second -> {
            assertThat(second.name()).isEqualTo("sold_2");
            assertThat(second.sameAs()).isEqualTo("sold");
            assertThat(second.label()).isEqualTo("sold");
        });
    }

    @Test
    void aNumberThatATagHasTakenIsNotGivenAgain() {
        Map<Integer, SigningField> boxes = Map.of(1, SOLD, 2, ShownFieldsTest.waiting("sold_2", "", ""));
        RepeatedFields repeated = new RepeatedFields(boxes, Set.of());
        assertThat(List.of(
                        repeated.next(1).name(),
                        repeated.next(2).name(),
                        repeated.next(1).name()))
                .containsExactly("sold", "sold_2", "sold_3");
    }

    private static List<String> conditions(Set<Integer> onEachPage, int... found) {
        Map<Integer, SigningField> boxes = new LinkedHashMap<>();
        boxes.put(1, SOLD);
        boxes.put(2, PRICE);
        RepeatedFields repeated = new RepeatedFields(boxes, onEachPage);
        List<PlacedField> placed = new ArrayList<>();
        for (int box : found) placed.add(new PlacedField(repeated.next(box), 1, 0, 0, 1, 1));
        return repeated.paired(placed).stream()
                .map(PlacedField::field)
                .map(field -> field.name()
                        + (field.when().always() ? "" : " < " + field.when().field()))
                .toList();
    }
}
