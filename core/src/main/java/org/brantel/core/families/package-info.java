/** All families of file systems that the engine knows: the one list of them, and what is asked of all. */
@NullMarked
package org.brantel.core.families;

import org.jspecify.annotations.NullMarked;
