/**
 * Finding volumes on a medium: none but the medium itself, or those of a master boot record's table (the layout is
 * given in UEFI Specification 2.10, section 5.2.1 and 5.2.2; logical partitions as chained tables).
 */
package org.brantel.core.volume;
