package org.brantel.core.finding;

import org.brantel.core.content.Extent;

/** When two findings of a case's sessions are the same file: equal content is one catalogue line. */
public final class Catalogue {

    private Catalogue() { }

    /**
     * What makes a finding one line of the catalogue: its hash, or, while it has none, where its bytes are. Where the
     * bytes at hand are in doubt or another file's, equality of bytes says nothing, and the record stands for itself.
     */
    public static String identity(Finding finding) {
        StringBuilder key = new StringBuilder();
        if (finding.prognosis().compareTo(Prognosis.DOUBTFUL) >= 0 || finding.size() == 0) {
            return "record:" + finding.volume() + ":" + finding.path() + ":" + finding.size() + ":" + finding.firstByte();
        }
        if (finding.sha256() != null) {
            key.append("sha256:").append(finding.sha256());
        } else {
            key.append("bytes:").append(finding.size());
            if (finding.encoding() != null) {
                key.append(':').append(finding.encoding().word());
            }
            for (Extent e : finding.extents()) {
                key.append(':').append(e.offset()).append('+').append(e.length());
            }
        }
        return key.toString();
    }
}
