package org.brantel.core.question;

import java.util.Set;

/** Words that join parts, turn them round, or say nothing. */
final class Joints {

    private static final Set<String> NOT =
            Set.of("not", "no", "without", "except", "excluding", "minus", "isnt", "arent", "wasnt", "werent", "dont");
    private static final Set<String> SILENT = Set.of(
            ("a an the of with that which who is are was were be been has have had show find list give me my their his "
                            + "her please only just all every any everything anything files file findings finding "
                            + "things ones one taken made whose where what but also then on at to for by it its this "
                            + "these those some there here as i we us you need want get see look looking")
                    .split(" "));

    private Joints() {}

    static boolean negates(Token t) {
        return !t.quoted() && NOT.contains(t.word());
    }

    static boolean isOr(Token t) {
        return !t.quoted() && t.is("or", "|");
    }

    static boolean isAnd(Token t) {
        return !t.quoted() && t.is("and", "&", "+", "plus");
    }

    static boolean isJoint(Token t) {
        return isOr(t) || isAnd(t) || negates(t);
    }

    /** Means nothing beside what does. */
    static boolean isSilent(Token t) {
        return !t.quoted() && (SILENT.contains(t.word()) || !t.says());
    }
}
