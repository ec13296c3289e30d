/** Files of our own beside those of customers. */
package org.brantel.core.files;
