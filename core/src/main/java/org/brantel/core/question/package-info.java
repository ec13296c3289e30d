/**
 * What people ask of a catalogue in one line, read into conditions that can be checked:
 * {@code pictures from may 2021 over 1 mb in DCIM, deleted, not from the phone backup}. Public face: {@link
 * org.brantel.core.question.Question} and its {@link org.brantel.core.question.Condition}.
 */
@NullMarked
package org.brantel.core.question;

import org.jspecify.annotations.NullMarked;
