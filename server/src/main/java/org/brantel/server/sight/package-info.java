/** What pictures look like, kept beside the lines of catalogues, so that those that are nearly the same are told. */
@NullMarked
package org.brantel.server.sight;

import org.jspecify.annotations.NullMarked;
