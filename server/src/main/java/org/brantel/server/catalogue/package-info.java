/**
 * The catalogue of a case: one line per distinct file over all sessions, what fits the wanted list, previews, the
 * selection. Public face: {@link org.brantel.server.catalogue.Catalogues}.
 */
@NullMarked
package org.brantel.server.catalogue;

import org.jspecify.annotations.NullMarked;
