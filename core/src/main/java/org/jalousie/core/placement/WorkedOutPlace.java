package org.jalousie.core.placement;

import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.data.FieldType;

/**
 * Worked out from what the party and earlier ones answered.
 *
 * @param formula FEEL over the names of signing fields, for example {@code lender_fee + lender_postage}
 * @param gives the type of what it works out: a number, money, a date or a text
 */
public record WorkedOutPlace(BoxSize size, String formula, FieldType gives) implements DerivedPlace {
    static final String KIND = "worked_out";

    private static final Pattern NAME = Pattern.compile("[\\p{L}_][\\p{L}\\p{M}\\p{N}_]*");

    private static final BoxSize LINE = new BoxSize(34, 6);

    public WorkedOutPlace {
        size = BoxSize.or(size, LINE);
        formula = formula == null ? "" : formula.strip();
        gives = gives == null ? FieldType.NUMBER : gives;
    }

    public WorkedOutPlace() {
        this(LINE, "", FieldType.NUMBER);
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public SigningFieldType referring(UnaryOperator<String> called) {
        String speaksOf =
                NAME.matcher(formula).replaceAll(name -> Matcher.quoteReplacement(called.apply(name.group())));
        return new WorkedOutPlace(size, speaksOf, gives);
    }

    @Override
    public Printed printed(PartyAct act) {
        return new Printed.Words(AskedValue.printed(gives, act.answer(), act.language()));
    }
}
