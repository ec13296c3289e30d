/**
 * People and organisations who bring devices, however often they come. Public face:
 * {@link org.brantel.server.customers.Customers}.
 */
@NullMarked
package org.brantel.server.customers;

import org.jspecify.annotations.NullMarked;
