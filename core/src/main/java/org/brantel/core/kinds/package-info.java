/** All kinds of content that the engine knows: the one list of them. */
package org.brantel.core.kinds;
