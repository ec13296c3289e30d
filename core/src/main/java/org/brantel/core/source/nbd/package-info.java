/**
 * Exports of other machines, read by the NBD protocol (the Network Block Device project's public protocol document,
 * fixed newstyle negotiation and simple or structured replies). The link is in clear: between machines that do not
 * trust the wire between them it goes through a tunnel.
 */
@NullMarked
package org.brantel.core.source.nbd;

import org.jspecify.annotations.NullMarked;
