/**
 * Media opened for reading only: the interface, what a read comes to, and identity. Nothing in this room or its kinds
 * below it writes to anything; a rule of the architecture's test says so for every writing API.
 */
@NullMarked
package org.brantel.core.source;

import org.jspecify.annotations.NullMarked;
