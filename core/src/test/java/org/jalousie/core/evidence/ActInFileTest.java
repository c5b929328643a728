package org.jalousie.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.FullNamePlace;
import org.jalousie.core.placement.InitialsPlace;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.ShownWhen;
import org.jalousie.core.placement.SignaturePlace;
import org.jalousie.core.placement.SigningDatePlace;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.SigningFieldType;
import org.jalousie.core.placement.TextPlace;
import org.junit.jupiter.api.Test;

class ActInFileTest {
    private static PlacedField field(String name, String party, SigningFieldType type, String sameAs) {
        return new PlacedField(
                new SigningField(name, new PartyKey(party), name, type, sameAs, ShownWhen.ALWAYS), 1, 0, 0, 1, 1);
    }

    private static final List<PlacedField> FIELDS = List.of(
            field("ref", "lender", TextPlace.USUAL, ""),
            field("ref_2", "lender", TextPlace.USUAL, "ref"),
            field("note", "lender", new TextPlace(false, ""), ""),
            field("sign", "lender", new SignaturePlace(), ""),
            field("sign_2", "lender", new SignaturePlace(), ""),
            field("initials", "lender", new InitialsPlace(), ""),
            field("date", "lender", new SigningDatePlace(), ""),
            field("name", "lender", new FullNamePlace(), ""),
            field("theirs", "museum", new SignaturePlace(), ""));

    @Test
    void aSignersFirstPlaceTakesTheSignatureAndFurtherOnesShowTheMark() {
        ActInFile act = ActInFile.of(
                FIELDS,
                new PartyKey("lender"),
                Map.of("ref", "L 7"),
                "Ida Marsh",
                "23 November 2026",
                Locale.UK,
                Optional.of(new ActInFile.MarkWithCaption(new byte[] {1}, "Ida")));
        assertThat(act.signature()).contains("sign");
        assertThat(act.marked()).isEqualTo(Set.of("sign_2", "initials"));
        assertThat(act.values())
                .isEqualTo(Map.of("ref", "L 7", "ref_2", "L 7", "date", "23 November 2026", "name", "Ida Marsh"));
    }

    @Test
    void whoOnlyCompletesDetailsPutsThemIn() {
        ActInFile act = ActInFile.of(
                FIELDS.subList(0, 3),
                new PartyKey("lender"),
                Map.of("note", "n"),
                "Ida",
                "",
                Locale.UK,
                Optional.empty());
        assertThat(act.values()).isEqualTo(Map.of("note", "n"));
        assertThat(act.signature()).isEmpty();
        assertThat(act.marked()).isEmpty();
    }

    @Test
    void aDocumentInWhichAPartyHasNothingToDoStaysAsItIs() {
        assertThat(ActInFile.of(FIELDS, new PartyKey("head"), Map.of(), "Edwin", "", Locale.UK, Optional.empty())
                        .isEmpty())
                .isTrue();
    }
}
