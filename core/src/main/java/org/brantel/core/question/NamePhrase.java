package org.brantel.core.question;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** {@code IMG_*.jpg}, {@code .docx}, {@code called tides}, {@code ending in .txt}, {@code taken with Nordlys K2}. */
final class NamePhrase implements Reading.Phrase {

    private static final String ENDING = "[.][\\p{L}\\p{N}]{1,8}";

    @Override
    public Reading.@Nullable Read at(Reading q, int i) {
        Reading.Read device = device(q, i);
        if (device != null) {
            return device;
        }
        int ends = q.is(i, "ending") ? 1 + (q.is(i + 1, "in|with|on") ? 1 : 0) : 0;
        if (q.is(i + ends, ENDING) || ends > 0 && q.is(i + ends, "[\\p{L}\\p{N}]{1,8}")) {
            return called("*." + q.word(i + ends).replace(".", ""), ends + 1);
        }
        int led = q.is(i, "called|named") ? 1 : 0;
        Token t = q.token(i + led);
        if (t == null || t.isMark() || led == 1 && Joints.isJoint(t)) {
            return null;
        }
        boolean wild = !t.quoted() && t.text().matches(".*[*?].*") && t.text().matches("(?s).*[^*?/].*");
        if (!wild && led == 0) {
            return null;
        }
        return wild ? pattern(t.text(), led + 1) : called("*" + t.text() + "*", 2);
    }

    /** A pattern with strokes is one of a folder and of a name in it. */
    private static Reading.Read pattern(String text, int used) {
        int stroke = text.lastIndexOf('/');
        if (stroke < 0) {
            return called(text, used);
        }
        String folder = text.substring(0, stroke).replaceAll("^/+|^[*]+/|/+$", "");
        String name = text.substring(stroke + 1);
        Condition in = new Condition.Folder(folder, true);
        return folder.isEmpty()
                ? called(name, used)
                : new Reading.Read(
                        Facet.NAME,
                        name.isEmpty() || name.equals("*")
                                ? in
                                : new Condition.Every(List.of(in, new Condition.Called(name))),
                        used,
                        "placed like " + text);
    }

    private static Reading.Read called(String pattern, int used) {
        return new Reading.Read(Facet.NAME, new Condition.Called(pattern), used, "called like " + pattern);
    }

    /** {@code taken with Nordlys K2}: up to what is a mark or a joint, three words at most. */
    private static Reading.@Nullable Read device(Reading q, int i) {
        boolean led = q.is(i, "taken|made|shot|recorded|written") && q.is(i + 1, "with|by");
        int at = led ? i + 2 : q.is(i, "camera|recorder") ? i + 1 : -1;
        at += at > 0 && q.is(at, "an?|the") ? 1 : 0;
        Token t = q.token(at);
        if (t == null || !t.says() || !q.isContent(at)) {
            return null;
        }
        int end = at + 1;
        StringBuilder name = new StringBuilder(t.text());
        while (!t.quoted()
                && end - at < 3
                && q.isContent(end)
                && q.tokens().get(end).text().matches("[\\p{Lu}\\p{N}][\\p{L}\\p{N}-]*")
                && !q.is(end, "(19|20)\\d\\d")) {
            name.append(' ').append(q.tokens().get(end).text());
            end++;
        }
        if (!q.known().contents()) {
            return Reading.Read.wrong(
                    Facet.DEVICE,
                    end - i,
                    "The customer agreed to file names only; what made a file stands in its content.");
        }
        return new Reading.Read(
                Facet.DEVICE,
                new Condition.MadeWith(name.toString()),
                end - i,
                "made with “" + name + "”, as its content says");
    }
}
