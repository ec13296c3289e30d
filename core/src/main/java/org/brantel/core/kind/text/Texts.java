package org.brantel.core.kind.text;

import java.util.List;
import org.brantel.core.kind.ContentKind;

/** Text with a form of its own, and plain text last. */
public final class Texts {

    /** In the order in which one that is two of them is taken. */
    public static final List<ContentKind> ALL =
            List.of(new Cards(), new Markup(), new JsonText(), new MailText(), new Prose());

    private Texts() {}
}
