package org.jalousie.core.placement;

/** The day on which a party signed; the program fills it in. */
public record SigningDatePlace(BoxSize size) implements SigningFieldType {
    static final String KIND = "date_signed";

    private static final BoxSize USUAL = new BoxSize(34, 6);

    public SigningDatePlace {
        size = BoxSize.or(size, USUAL);
    }

    public SigningDatePlace() {
        this(USUAL);
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public boolean required() {
        return true;
    }

    @Override
    public Printed printed(PartyAct act) {
        return new Printed.Words(act.date());
    }

    @Override
    public boolean lined() {
        return false;
    }
}
