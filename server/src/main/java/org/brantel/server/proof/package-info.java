/** Shows what a finding holds, drawn and written anew from the image, so that a person can tell what it is. */
@NullMarked
package org.brantel.server.proof;

import org.jspecify.annotations.NullMarked;
