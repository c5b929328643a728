package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.BoxSize;
import org.jalousie.core.placement.ShownWhen;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.TextCheck;
import org.jalousie.core.placement.TextPlace;
import org.jalousie.core.placement.WorkedOutPlace;
import org.junit.jupiter.api.Test;

class SigningFieldOrderTest {
    private static final PartyKey LENDER = new PartyKey("lender");

    private static SigningField sized(String name, double width) {
        return new SigningField(
                name, LENDER, "line", new TextPlace(true, "", new BoxSize(width, 6), TextCheck.ANY, ""));
    }

    private static final List<SigningField> THREE =
            List.of(sized("lender_line", 10), sized("lender_line_2", 20), sized("lender_line_3", 30));

    private static double width(List<SigningField> fields, String name) {
        return fields.stream()
                .filter(one -> one.name().equals(name))
                .findFirst()
                .orElseThrow()
                .type()
                .size()
                .widthMm();
    }

    @Test
    void settingsGoAlongWithTheTagThatWasMoved() {
        List<SigningField> down = SigningFieldOrder.moved(THREE, "lender_line", 0, 2);
        assertThat(width(down, "lender_line")).isEqualTo(20);
        assertThat(width(down, "lender_line_2")).isEqualTo(30);
        assertThat(width(down, "lender_line_3")).isEqualTo(10);
        List<SigningField> up = SigningFieldOrder.moved(THREE, "lender_line", 2, 0);
        assertThat(width(up, "lender_line")).isEqualTo(30);
        assertThat(width(up, "lender_line_3")).isEqualTo(20);
        assertThat(SigningFieldOrder.moved(THREE, "lender_line", 1, 1)).isEqualTo(THREE);
    }

    @Test
    void whatSpeaksOfThemSpeaksOfTheirNewNames() {
        SigningField total = new SigningField(
                "lender_total",
                LENDER,
                "total",
                new WorkedOutPlace(null, "lender_line + lender_line_2", FieldType.NUMBER),
                "",
                new ShownWhen("lender_line_2", "x"));
        List<SigningField> all = List.of(THREE.get(0), THREE.get(1), total);
        SigningField after = SigningFieldOrder.moved(all, "lender_line", 0, 1).get(2);
        assertThat(((WorkedOutPlace) after.type()).formula()).isEqualTo("lender_line_2 + lender_line");
        assertThat(after.when()).isEqualTo(new ShownWhen("lender_line", "x"));
        assertThat(SigningFieldOrder.moved(List.of(total), "lender_line", 0, 1)).containsExactly(total);
    }
}
