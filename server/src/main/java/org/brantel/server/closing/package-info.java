/**
 * How a case ends: what became of each device, with which outcome it was closed, and the paper that a customer signed
 * who took a device back without its files.
 */
@NullMarked
package org.brantel.server.closing;

import org.jspecify.annotations.NullMarked;
