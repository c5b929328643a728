package org.jalousie.core.placement;

/** The day on which a party signed; the program fills it in. */
public record SigningDatePlace() implements SigningFieldType {
    static final String KIND = "date_signed";

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public BoxSize size() {
        return new BoxSize(34, 6);
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
