/** What needs a decision now, and what is running: drawn together from the other features' public faces. */
package org.brantel.server.desk;
