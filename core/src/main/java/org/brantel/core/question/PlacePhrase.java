package org.brantel.core.question;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Where it stands: {@code in DCIM}, {@code from the phone backup}, {@code under /home/mara}, {@code in "Tide tables"}.
 * Words that follow one another are one name, up to what means something else.
 */
final class PlacePhrase implements Reading.Phrase {

    private static final int LONGEST = 8;
    private static final String LEADS = "in|inside|under|within|below|from|folder|anywhere|somewhere";
    private static final String FILLERS = "the|my|a|an|their|his|her|our|old|folders?|directory|called|named";

    /** What else can be said, in the order in which it is tried; a name goes on up to that. */
    static final List<Reading.Phrase> OTHERS = List.of(
            new NumberedPhrase(),
            new DeletedPhrase(),
            new StatePhrase(),
            new RemarkPhrase(),
            new InsidePhrase(),
            new SizePhrase(),
            new NamePhrase(),
            new DayPhrase(),
            new KindPhrase());

    @Override
    public Reading.@Nullable Read at(Reading q, int i) {
        if (!q.is(i, LEADS)) {
            return null;
        }
        int at = i + (q.is(i, "anywhere|somewhere") ? 2 : 1);
        while (q.is(at, FILLERS) && q.isContent(at + 1)) {
            at++;
        }
        Token first = q.token(at);
        if (first == null || !q.isContent(at) || !first.says() && !first.text().contains("*")) {
            return null;
        }
        if (first.quoted()) {
            return folder(first.text(), true, at + 1 - i);
        }
        StringBuilder name = new StringBuilder(first.text());
        int end = at + 1;
        while (end - at < LONGEST && isMore(q, end)) {
            name.append(' ').append(q.tokens().get(end).text());
            end++;
        }
        end += q.is(end, "folders?|directory") ? 1 : 0;
        String path = name.toString();
        return path.indexOf('/') >= 0
                ? folder(path.replaceAll("^/+|/+$", ""), true, end - i)
                : folder(path, false, end - i);
    }

    /** Whether a word goes on with the name. */
    private boolean isMore(Reading q, int i) {
        Token t = q.token(i);
        if (t == null || t.quoted() || !q.isContent(i) || Joints.isSilent(t) || q.is(i, LEADS + "|folders|directory")) {
            return false;
        }
        for (Reading.Phrase other : OTHERS) {
            if (other.at(q, i) != null) {
                return false;
            }
        }
        return true;
    }

    private static Reading.Read folder(String name, boolean whole, int used) {
        return new Reading.Read(
                Facet.FOLDER,
                new Condition.Folder(name, whole),
                used,
                whole ? "in the folder “" + name + "”" : "in a folder with “" + name + "” in its name");
    }
}
