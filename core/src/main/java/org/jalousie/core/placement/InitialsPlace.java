package org.jalousie.core.placement;

/** Where a signer's mark stands once more, smaller. */
public record InitialsPlace(BoxSize size) implements SigningFieldType {
    static final String KIND = "initials";

    private static final BoxSize USUAL = new BoxSize(22, 10);

    public InitialsPlace {
        size = BoxSize.or(size, USUAL);
    }

    public InitialsPlace() {
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
        return new Printed.Mark();
    }

    @Override
    public boolean lined() {
        return true;
    }
}
