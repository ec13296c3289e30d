/** What is printed: labels for bag and device, the drop-off receipt, the letter of decline. */
package org.brantel.server.papers;
