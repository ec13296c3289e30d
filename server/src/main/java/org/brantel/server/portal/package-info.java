/** The customer's page: one delivery behind a link and a passcode, and nothing else. */
package org.brantel.server.portal;
