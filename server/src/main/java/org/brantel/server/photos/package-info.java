/** Pictures of devices and their labels: checked, drawn anew without anything that a camera wrote into them. */
@NullMarked
package org.brantel.server.photos;

import org.jspecify.annotations.NullMarked;
