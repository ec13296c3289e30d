/** Ranking a case's recovery paths and deciding on one. The ranking itself is the core's. */
package org.brantel.server.triage;
