/** A case in one signed file, that another lab goes on from: what it holds, how it is packed, what is believed of it. */
@NullMarked
package org.brantel.core.casefile;

import org.jspecify.annotations.NullMarked;
