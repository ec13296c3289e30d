/** The engine: everything that reads, finds, judges, writes out and proves. No interface code, no storage. */
@NullMarked
package org.brantel.core;

import org.jspecify.annotations.NullMarked;
