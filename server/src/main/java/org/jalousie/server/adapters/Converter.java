package org.jalousie.server.adapters;

/** Turns a Word file into PDF/A-2b. */
public interface Converter {
    /** @throws ConversionFailed with a reason that a coordinator understands */
    byte[] toPdf(byte[] word);

    final class ConversionFailed extends RuntimeException {
        public ConversionFailed(String message, Throwable cause) {
            super(message, cause);
        }
    }
}
