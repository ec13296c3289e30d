/** The custody record of each case. Public face: {@link org.brantel.server.custody.CustodyService}. */
@NullMarked
package org.brantel.server.custody;

import org.jspecify.annotations.NullMarked;
