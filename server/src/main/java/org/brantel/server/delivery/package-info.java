/**
 * Sealing a bag, the customer's link, the receipt. Public face: {@link org.brantel.server.delivery.Deliveries} and
 * {@link org.brantel.server.delivery.DeliveryViews}.
 */
package org.brantel.server.delivery;
