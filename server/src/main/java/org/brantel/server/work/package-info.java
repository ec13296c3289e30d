/**
 * The frame of all long work: one record with a state, one order of what a person may ask of it, one job with its
 * heartbeat, one ladder for what fails, and steps of which each is wholly on record or not at all.
 */
@NullMarked
package org.brantel.server.work;

import org.jspecify.annotations.NullMarked;
