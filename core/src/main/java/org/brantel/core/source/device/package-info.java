/** Block devices of this machine and raw image files. */
package org.brantel.core.source.device;
