/**
 * Cases: the customer, the device, the facts, the wanted list, the stages. Public face: {@link
 * org.brantel.server.intake.Cases} and its views.
 */
@NullMarked
package org.brantel.server.intake;

import org.jspecify.annotations.NullMarked;
