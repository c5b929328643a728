package org.jalousie.core.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class SortKeyTest {
    private static String key(String number) {
        return SortKey.of(new Value.Amount(new BigDecimal(number)));
    }

    @Test
    void numbersAreOrderedAsNumbers() {
        List<String> ordered = List.of(
                "-1000000",
                "-99.95",
                "-99.9",
                "-99",
                "-1",
                "-0.5",
                "-0.05",
                "0",
                "0.05",
                "0.5",
                "1",
                "9",
                "10",
                "99",
                "99.9",
                "99.95",
                "1000000");
        for (int i = 1; i < ordered.size(); i++)
            assertThat(key(ordered.get(i - 1)))
                    .as(ordered.get(i - 1) + " before " + ordered.get(i))
                    .isLessThan(key(ordered.get(i)));
    }

    @Test
    void anyTwoNumbersComeInTheirOrder() {
        Random random = new Random(4);
        List<BigDecimal> numbers = new ArrayList<>();
        for (int i = 0; i < 400; i++)
            numbers.add(new BigDecimal(random.nextInt(2_000) - 1_000)
                    .movePointLeft(random.nextInt(6))
                    .movePointRight(random.nextInt(12)));
        for (BigDecimal one : numbers)
            for (BigDecimal other : numbers)
                assertThat(Integer.signum(
                                SortKey.of(new Value.Amount(one)).compareTo(SortKey.of(new Value.Amount(other)))))
                        .as(one.toPlainString() + " and " + other.toPlainString())
                        .isEqualTo(one.compareTo(other));
    }

    @Test
    void theSameNumberIsTheSameHoweverItIsWritten() {
        assertThat(key("1.50")).isEqualTo(key("1.5")).isEqualTo(key("1.500"));
        assertThat(key("-0")).isEqualTo(key("0.00"));
        assertThat(SortKey.taken(new Value.Amount(new BigDecimal("100"))))
                .isEqualTo(SortKey.taken(new Value.Amount(new BigDecimal("100.00"))));
    }

    @Test
    void moneyIsOrderedByItsAmount() {
        Value nine = new Value.Money(Currency.getInstance("USD"), new BigDecimal("9.00"));
        Value ten = new Value.Money(Currency.getInstance("EUR"), new BigDecimal("10.00"));

        assertThat(SortKey.of(nine)).isLessThan(SortKey.of(ten));
    }

    @Test
    void lettersAreComparedWithoutMarksAndCapitals() {
        assertThat(SortKey.text(" Zoë’s ")).isEqualTo("zoe’s");
        assertThat(SortKey.text("ÅSA")).isEqualTo(SortKey.text("asa"));
        assertThat(SortKey.text("x".repeat(500))).hasSize(120);
    }

    @Test
    void peopleAreOrderedByFamilyNameAndMomentsByTheTimeThatTheyAre() {
        Value marsh = new Value.PersonName("Dr", "Zoe", "", "Marsh", "");
        Value oak = new Value.PersonName("", "Ada", "", "Oak", "");
        assertThat(SortKey.of(marsh)).isLessThan(SortKey.of(oak));
        Value paris = new Value.Moment(LocalDate.of(2027, 3, 1).atTime(9, 0).atZone(ZoneId.of("Europe/Paris")));
        Value london = new Value.Moment(LocalDate.of(2027, 3, 1).atTime(8, 30).atZone(ZoneId.of("Europe/London")));
        assertThat(SortKey.of(paris)).isLessThan(SortKey.of(london));
    }

    @Test
    void whatMayBeThereOnceIsTheSameInCapitalsAndInEitherFormOfALetter() {
        assertThat(SortKey.taken(new Value.Text("ORG-É"))).isEqualTo(SortKey.taken(new Value.Text(" org-e\u0301 ")));
        assertThat(SortKey.taken(new Value.Text("ORG-E"))).isNotEqualTo(SortKey.taken(new Value.Text("ORG-É")));
    }
}
