/** Pictures of devices and their labels: checked, drawn anew without anything that a camera wrote into them. */
package org.brantel.server.photos;
