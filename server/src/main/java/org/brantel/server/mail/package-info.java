/** Messages to customers who agreed to them: letters of the lab's own, an outbox with retries, any SMTP server. */
@NullMarked
package org.brantel.server.mail;

import org.jspecify.annotations.NullMarked;
