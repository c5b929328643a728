package org.jalousie.core.placement;

/** Where a party signs. */
public record SignaturePlace(BoxSize size) implements SigningFieldType {
    static final String KIND = "signature";

    private static final BoxSize USUAL = new BoxSize(60, 16);

    public SignaturePlace {
        size = BoxSize.or(size, USUAL);
    }

    public SignaturePlace() {
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
        return new Printed.Signature();
    }

    @Override
    public boolean lined() {
        return true;
    }

    @Override
    public boolean signs() {
        return true;
    }
}
