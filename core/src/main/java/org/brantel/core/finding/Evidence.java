package org.brantel.core.finding;

import org.jspecify.annotations.Nullable;

/**
 * What else speaks of a finding.
 *
 * @param record    what else its record says; {@link RecordFacts#NONE} without a record
 * @param container id of the finding that holds this one, or null
 * @param note      {@link Finding#ALSO_CARVED}, or null
 */
public record Evidence(
        RecordFacts record,
        @Nullable Long container,
        @Nullable String note) {

    public static final Evidence NONE = of(RecordFacts.NONE);

    public static Evidence of(RecordFacts record) {
        return new Evidence(record, null, null);
    }
}
