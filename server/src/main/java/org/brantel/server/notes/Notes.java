package org.brantel.server.notes;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.staff.Staff;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Notes and calls of a case. */
@Service
public class Notes {

    /** @param kind note or call */
    public record View(long id, String kind, String words, String who, Instant at) {}

    /** A note that names somebody who has not seen it. */
    public record Unseen(long mentionId, String caseNumber, String words, String who, Instant at) {}

    private static final Pattern MENTION = Pattern.compile("(?<![\\w.])@([a-z0-9._-]{2,40})", Pattern.CASE_INSENSITIVE);
    private static final int LONGEST = 5000;

    private final NoteRecords notes;
    private final Mentions mentions;
    private final Cases cases;
    private final Staff staff;
    private final Happenings happenings;
    private final Clock clock;

    Notes(NoteRecords notes, Mentions mentions, Cases cases, Staff staff, Happenings happenings, Clock clock) {
        this.notes = notes;
        this.mentions = mentions;
        this.cases = cases;
        this.staff = staff;
        this.happenings = happenings;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<View> of(String number) {
        return notes.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .map(Note::view)
                .toList();
    }

    /** Writes a note down; {@code @login} tells a colleague. */
    @Transactional
    public View write(String number, String kind, String words, String who) {
        if (!Set.of("note", "call").contains(kind)) {
            throw Refusal.badInput("kind", "It is a note or a call.");
        }
        String text = words == null ? "" : words.strip();
        if (text.isEmpty() || text.length() > LONGEST) {
            throw Refusal.badInput(
                    "words",
                    text.isEmpty() ? "The note has no words." : "The note is longer than 5,000 characters; split it.");
        }
        Set<String> logins = staff.all().stream().map(Staff.Person::login).collect(Collectors.toSet());
        Set<String> named = new TreeSet<>();
        Matcher m = MENTION.matcher(text);
        while (m.find()) {
            String login = m.group(1).toLowerCase(Locale.ROOT).replaceFirst("[._-]+$", "");
            if (!logins.contains(login)) {
                throw Refusal.badInput(
                        "words",
                        "There is nobody with the sign-in name '" + login + "'; known are "
                                + String.join(", ", new TreeSet<>(logins)) + ".");
            }
            named.add(login);
        }
        Note note = notes.save(new Note(cases.id(number), kind, text, who, clock.instant()));
        named.forEach(login -> mentions.save(new Mention(note.id(), login)));
        happenings.changed(number, Topic.NOTE);
        return note.view();
    }

    @Transactional(readOnly = true)
    public List<Unseen> unseenBy(String login) {
        return mentions.findByLoginAndSeenAtIsNullOrderById(login).stream()
                .map(m -> {
                    Note note = notes.findById(m.noteId()).orElseThrow();
                    View v = note.view();
                    return new Unseen(m.id(), cases.number(note.caseId()), v.words(), v.who(), v.at());
                })
                .toList();
    }

    /** @throws Refusal when it names somebody else */
    @Transactional
    void seen(long mention, String login) {
        Mention m = mentions.findById(mention)
                .filter(x -> x.login().equals(login))
                .orElseThrow(() -> Refusal.missing("Nobody mentioned you there."));
        m.seen(clock.instant());
        happenings.changed(cases.number(notes.findById(m.noteId()).orElseThrow().caseId()), Topic.NOTE);
    }

    /** Takes it back. */
    @Transactional
    void unseen(long mention, String login) {
        Mention m = mentions.findById(mention)
                .filter(x -> x.login().equals(login))
                .orElseThrow(() -> Refusal.missing("Nobody mentioned you there."));
        m.seen(null);
        happenings.changed(cases.number(notes.findById(m.noteId()).orElseThrow().caseId()), Topic.NOTE);
    }
}
