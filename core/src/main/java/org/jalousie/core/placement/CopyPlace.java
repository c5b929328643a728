package org.jalousie.core.placement;

/** Shows a datum or what an earlier party answered, as it prints; it can't be changed. */
public record CopyPlace(BoxSize size) implements DerivedPlace {
    static final String KIND = "copy";

    private static final BoxSize LINE = new BoxSize(60, 6);

    public CopyPlace {
        size = BoxSize.or(size, LINE);
    }

    public CopyPlace() {
        this(LINE);
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public Printed printed(PartyAct act) {
        return new Printed.Words(act.answer());
    }
}
