/**
 * Pictures: JPEG ITU-T T.81, PNG ISO/IEC 15948 and W3C PNG third edition, GIF89a, BMP, WebP RFC 9649, TIFF 6.0 and DNG
 * 1.7, PSD. One class a kind.
 */
@NullMarked
package org.brantel.core.kind.picture;

import org.jspecify.annotations.NullMarked;
