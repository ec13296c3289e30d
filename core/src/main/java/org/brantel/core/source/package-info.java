/**
 * Read-only random access to a medium: raw files, block devices, images with their map, and simulated devices.
 *
 * <p>Nothing in this package can write to a source. A read either delivers bytes or says which sectors failed;
 * failed sectors, the end of the medium and a vanished device are three different answers.
 */
package org.brantel.core.source;
