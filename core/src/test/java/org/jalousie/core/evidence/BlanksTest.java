package org.jalousie.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.placement.FieldKind;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SigningField;
import org.junit.jupiter.api.Test;

class BlanksTest {
    private static final FieldPlacer.Placed PLACED =
            FieldPlacer.place(SignedSample.converted(), SignedSample.boxes(), SignedSample.PARTIES);

    @Test
    void anUnsignedFileHasEveryRequiredFieldBlank() {
        assertThat(Blanks.in(PLACED.pdf(), PLACED.pages().fields()))
                .hasSize(PLACED.pages().fields().size());
    }

    @Test
    void aFieldThatTheFileLacksOrThatIsCountedTwiceIsBlank() {
        List<PlacedField> fields = new ArrayList<>();
        fields.add(new PlacedField(new SigningField("gone", "lender", FieldKind.TEXT, "Gone", true), 1, 0, 0, 1, 1));
        assertThat(Blanks.in(PLACED.pdf(), fields)).containsExactly("Gone");
        assertThatThrownBy(() -> Blanks.refuse(PLACED.pdf(), fields)).hasMessageContaining("Gone");
    }

    @Test
    void whatIsNotRequiredMayStayBlank() {
        List<PlacedField> fields = List.of(new PlacedField(
                new SigningField("lender_vat_number", "lender", FieldKind.TEXT, "VAT", false), 1, 0, 0, 1, 1));
        assertThat(Blanks.in(PLACED.pdf(), fields)).isEmpty();
    }

    @Test
    void oneAnswerIsPutEverywhereItIsShown() {
        List<PlacedField> fields = List.of(
                new PlacedField(new SigningField("ref", "lender", FieldKind.TEXT, "Ref", true), 1, 0, 0, 1, 1),
                new PlacedField(
                        new SigningField("ref_2", "lender", FieldKind.TEXT, "Ref", true, "ref"), 2, 0, 0, 1, 1));
        assertThat(Act.everywhere(Map.of("ref", "L 7"), fields)).isEqualTo(Map.of("ref", "L 7", "ref_2", "L 7"));
    }

    @Test
    void fieldsThatEarlierVersionsStoredAreRead() {
        String stored =
                "{\"kind\":\"TEXT\",\"label\":\"Lender: vat number\",\"name\":\"lender_vat_number\",\"party\":\"lender\",\"required\":true}";
        SigningField read = Json.MAPPER.readValue(stored, SigningField.class);
        assertThat(read)
                .isEqualTo(new SigningField("lender_vat_number", "lender", FieldKind.TEXT, "Lender: vat number", true));
        assertThat(read.asked()).isTrue();
    }
}
