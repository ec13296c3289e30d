/** Records, sessions and hand-over; a package per feature, each with a small public face. */
package org.brantel.server;
