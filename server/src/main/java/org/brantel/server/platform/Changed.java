package org.brantel.server.platform;

/** What a browser may show is no longer what it was. Heard of when the surrounding transaction commits. */
record Changed(String caseNumber, Topic what) {}
