/**
 * What callers say, turned into what the lab writes down: facts, capacities, dates, deadlines, wanted lines. Nothing is
 * invented: what is negated without an opposite, doubted or asked stays text. Public face: {@link
 * org.brantel.core.spoken.FreeLine}, {@link org.brantel.core.spoken.Capacity},
 * {@link org.brantel.core.spoken.SpokenDate}.
 */
@NullMarked
package org.brantel.core.spoken;

import org.jspecify.annotations.NullMarked;
