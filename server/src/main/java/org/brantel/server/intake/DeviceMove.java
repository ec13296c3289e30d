package org.brantel.server.intake;

/**
 * A device goes from one case to another. Told in the transaction that moves it: who keeps records of devices gives
 * those of this one to the other case.
 *
 * @param device its key, which it keeps
 * @param from   the key of the case that it leaves
 * @param to     the key of the case that it comes to
 */
public record DeviceMove(long device, long from, long to) {}
