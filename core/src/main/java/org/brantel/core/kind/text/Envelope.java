package org.brantel.core.kind.text;

import java.util.regex.Pattern;

/** The line before each message of a mailbox (RFC 4155, appendix A): the sender, and a time that ends in a year. */
public final class Envelope {

    /** How every one begins. */
    public static final String FROM = "From ";

    private static final Pattern LINE =
            Pattern.compile("^From \\S+ +\\w{3} \\w{3} [ \\d]\\d [\\d:]{5,8}[^\\r\\n]* \\d{4}[ \\w+-]*\\r?\\n");

    private Envelope() {}

    /** Whether a text begins with one. */
    public static boolean begins(String text) {
        return LINE.matcher(text).find();
    }
}
