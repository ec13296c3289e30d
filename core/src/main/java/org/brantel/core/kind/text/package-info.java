/**
 * Text: markup by its tags, mail RFC 5322, vCard RFC 6350, iCalendar RFC 5545, JSON RFC 8259, and plain text by its
 * bytes. One class a kind.
 */
@NullMarked
package org.brantel.core.kind.text;

import org.jspecify.annotations.NullMarked;
