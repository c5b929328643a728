package org.jalousie.core.placement;

/** Where a party signs. */
public record SignaturePlace() implements SigningFieldType {
    static final String KIND = "signature";

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public BoxSize size() {
        return new BoxSize(60, 16);
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
