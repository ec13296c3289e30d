/** The triage protocol that the lab works by: the one that ships, or one that a manager adopted. */
package org.brantel.server.protocol;
