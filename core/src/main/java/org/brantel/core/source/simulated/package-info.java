/** Devices that fail as a file says, in counted time; see docs/formats.md. */
package org.brantel.core.source.simulated;
