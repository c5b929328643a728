package org.jalousie.core.parties;

/**
 * How those whose turn it is are chased.
 *
 * @param warnDays how many days before the end they are warned, once; 0 for never
 * @param invitationsInHours whether invitations wait for the office's hours too; waiting is counted from when they go
 */
public record ChasingTerms(Reminders reminders, int warnDays, boolean invitationsInHours) {}
