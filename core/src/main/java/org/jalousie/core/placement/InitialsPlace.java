package org.jalousie.core.placement;

/** Where a signer's mark stands once more, smaller. */
public record InitialsPlace() implements SigningFieldType {
    static final String KIND = "initials";

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public BoxSize size() {
        return new BoxSize(22, 10);
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
