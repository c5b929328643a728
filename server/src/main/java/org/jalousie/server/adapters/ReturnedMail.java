package org.jalousie.server.adapters;

/**
 * A mail that a mail server gave up on (RFC 3464).
 *
 * @param messageId of the mail, without its brackets
 * @param status the enhanced status code (RFC 3463); may be empty
 * @param said what the mail server said; may be empty
 */
public record ReturnedMail(String messageId, String status, String said) {}
