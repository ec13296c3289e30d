package org.brantel.server.intake;

/**
 * Records of devices, which go with a device that is given to another case. New ones are beans; nothing else changes.
 */
public interface OfDevices {

    /** Gives what is on record of a device to another case, by their keys. */
    void give(long device, long caseId);
}
