/**
 * Sound and film: ISO base media ISO/IEC 14496-12, RIFF, Matroska RFC 9559, MPEG audio ISO/IEC 11172-3 and 13818-3,
 * FLAC RFC 9639, Ogg RFC 3533, AIFF, Standard MIDI Files. One class a kind.
 */
@NullMarked
package org.brantel.core.kind.media;

import org.jspecify.annotations.NullMarked;
