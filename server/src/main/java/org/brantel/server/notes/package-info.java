/** What was said and noted about a case after it was logged; who is mentioned hears of it on the Desk. */
package org.brantel.server.notes;
