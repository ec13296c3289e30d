/**
 * What content holds in rows: names in an archive, tables in a database. Only for showing; whether it is intact is
 * judged elsewhere. Public face: {@link org.brantel.core.inside.Inside}.
 */
@NullMarked
package org.brantel.core.inside;

import org.jspecify.annotations.NullMarked;
