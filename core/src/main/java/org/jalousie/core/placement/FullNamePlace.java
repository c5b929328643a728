package org.jalousie.core.placement;

/** The name of who signed, printed; the program fills it in. */
public record FullNamePlace(BoxSize size) implements SigningFieldType {
    static final String KIND = "full_name";

    private static final BoxSize USUAL = new BoxSize(60, 6);

    public FullNamePlace {
        size = BoxSize.or(size, USUAL);
    }

    public FullNamePlace() {
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
        return new Printed.Words(act.name());
    }

    @Override
    public boolean lined() {
        return false;
    }
}
