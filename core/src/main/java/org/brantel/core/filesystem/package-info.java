/** Reading file systems by their own records; a package for each family. */
@NullMarked
package org.brantel.core.filesystem;

import org.jspecify.annotations.NullMarked;
