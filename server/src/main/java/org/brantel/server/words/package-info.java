/**
 * The words inside of findings: read by a job when somebody asks, each file in a process that may die of it, and then
 * searched. Closed where the customer did not agree to contents.
 */
@NullMarked
package org.brantel.server.words;

import org.jspecify.annotations.NullMarked;
