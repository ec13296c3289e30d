/**
 * The engine's command line: thin verbs over the core. Exit 0 done, 1 done with something to know, 2 wrong use or bad
 * input.
 */
@NullMarked
package org.brantel.cli;

import org.jspecify.annotations.NullMarked;
