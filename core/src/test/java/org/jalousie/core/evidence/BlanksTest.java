package org.jalousie.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.TextPlace;
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
        fields.add(new PlacedField(
                new SigningField("gone", new PartyKey("lender"), "Gone", TextPlace.USUAL), 1, 0, 0, 1, 1));
        assertThat(Blanks.in(PLACED.pdf(), fields)).containsExactly("Lender: Gone");
        assertThatThrownBy(() -> Blanks.refuse(PLACED.pdf(), fields)).hasMessageContaining("Gone");
    }

    @Test
    void whatIsNotRequiredMayStayBlank() {
        List<PlacedField> fields = List.of(new PlacedField(
                new SigningField("lender_vat_number", new PartyKey("lender"), "VAT", new TextPlace(false, "")),
                1,
                0,
                0,
                1,
                1));
        assertThat(Blanks.in(PLACED.pdf(), fields)).isEmpty();
    }
}
