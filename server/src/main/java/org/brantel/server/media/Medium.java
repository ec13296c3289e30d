package org.brantel.server.media;

import org.brantel.core.source.Identity;

/**
 * Something that can be attached.
 *
 * @param key      how it is named in requests: {@code disk/NAME}, {@code box/BOX/EXPORT}, {@code sim/NAME},
 *                 {@code inbox/NAME}
 * @param place    where it is: a device node, a box, a file
 * @param writable it could be written to, so that reading it takes a write-block decision
 * @param blocked  why it is not offered; empty when it is
 */
public record Medium(
        String key, MediumKind kind, String name, String place, Identity identity, boolean writable, String blocked) {}
