package org.jalousie.core.placement;

/** The name of who signed, printed; the program fills it in. */
public record FullNamePlace() implements SigningFieldType {
    static final String KIND = "full_name";

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public BoxSize size() {
        return new BoxSize(60, 6);
    }

    @Override
    public boolean required() {
        return true;
    }

    @Override
    public Printed printed(PartyAct act) {
        return new Printed.Words(Glyphs.printable(act.name()));
    }

    @Override
    public boolean lined() {
        return false;
    }
}
