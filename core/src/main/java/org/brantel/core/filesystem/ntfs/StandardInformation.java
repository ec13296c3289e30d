package org.brantel.core.filesystem.ntfs;

import org.brantel.core.bytes.Slot;

/**
 * The attribute with a file's times (NTFS3 "struct ATTR_STD_INFO"); its value always stands in the record.
 *
 * <pre>
 * offset size field
 *      0    8  created;  8  8  content changed;  16  8  record changed;  24  8  accessed
 *     32    4  attributes
 * </pre>
 */
final class StandardInformation {

    static final Slot CREATED = new Slot(0, 8);
    static final Slot MODIFIED = new Slot(8, 8);
    static final Slot RECORD_CHANGED = new Slot(16, 8);
    static final Slot ACCESSED = new Slot(24, 8);
    static final Slot ATTRIBUTES = new Slot(32, 4);

    /** What a value has at least. */
    static final int LEAST = ATTRIBUTES.end();

    private StandardInformation() {}
}
