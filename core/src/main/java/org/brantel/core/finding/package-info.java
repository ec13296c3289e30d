/**
 * What a scan session found: findings with their extents, origin and prognosis, their file format
 * (findings.ndjson, version 1, docs/formats.md), and the merge of sessions into one catalogue.
 */
@NullMarked
package org.brantel.core.finding;

import org.jspecify.annotations.NullMarked;
