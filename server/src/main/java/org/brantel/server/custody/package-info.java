/** The custody record of each case. Public face: {@link org.brantel.server.custody.CustodyService}. */
package org.brantel.server.custody;
