/**
 * Sealing a bag, the customer's link, the receipt. Public face: {@link org.brantel.server.delivery.Deliveries} and
 * {@link org.brantel.server.delivery.DeliveryViews}.
 */
@NullMarked
package org.brantel.server.delivery;

import org.jspecify.annotations.NullMarked;
