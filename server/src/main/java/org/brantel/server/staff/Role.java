package org.brantel.server.staff;

/** What a person does in the lab. */
public enum Role {
    COORDINATOR,
    ENGINEER,
    MANAGER
}
