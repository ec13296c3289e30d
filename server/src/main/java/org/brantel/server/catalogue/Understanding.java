package org.brantel.server.catalogue;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Consumer;
import org.brantel.core.json.Json;
import org.brantel.core.kind.About;
import org.brantel.core.question.Condition;
import org.brantel.core.question.Known;
import org.brantel.core.question.Question;
import org.brantel.core.wanted.WantedLine;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.locks.Look;
import org.brantel.server.platform.BesideLines;
import org.brantel.server.platform.LineNumbers;
import org.brantel.server.platform.Settings;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Reads questions, and looks up what they speak of in the case. */
@Component
class Understanding {

    /** So many folders or lines are named one by one; more are asked for by what is said of them, which then is true of many. */
    private static final int NAMED = 1000;

    private final Cases cases;
    private final Searched searched;
    private final List<BesideLines> sources;
    private final Locks locks;
    private final Settings settings;
    private final Clock clock;
    private final JdbcTemplate sql;

    Understanding(
            Cases cases,
            Searched searched,
            List<BesideLines> sources,
            Locks locks,
            Settings settings,
            Clock clock,
            JdbcTemplate sql) {
        this.cases = cases;
        this.searched = searched;
        this.sources = sources;
        this.locks = locks;
        this.settings = settings;
        this.clock = clock;
        this.sql = sql;
    }

    /**
     * @param words of the question; null or blank for none
     * @param into  whether what content says of itself may be looked at
     */
    Understood of(String number, @Nullable String words, boolean into) {
        if (words == null || words.isBlank()) {
            return Understood.NOTHING;
        }
        long caseId = cases.id(number);
        Question question = Question.read(
                // No text of the database holds this one.
                words.replace('\0', ' '),
                new Known(
                        LocalDate.now(clock.withZone(settings.zone())),
                        cases.docket(number).said().wanted().stream()
                                .map(WantedLine::id)
                                .toList(),
                        new LinkedHashSet<>(searched.sessions(caseId)),
                        called(cases.docket(number).said().devices()),
                        line -> isLine(caseId, line),
                        into,
                        locks.mayLook(number, Look.CONTENTS)));
        Map<Condition, List<Long>> folders = new HashMap<>();
        Map<Long, Understood.Likeness> likes = new HashMap<>();
        Map<Condition, List<Understood.Beside>> beside = new HashMap<>();
        Set<Condition> tooMany = new HashSet<>();
        each(question.asked(), c -> {
            beside.computeIfAbsent(c, asked -> sources.stream()
                    .map(s -> s.asked(caseId, asked))
                    .filter(Objects::nonNull)
                    .map(this::beside)
                    .toList());
            if ((c instanceof Condition.Text || c instanceof Condition.Folder) && !tooMany.contains(c)) {
                List<Long> called = folders.computeIfAbsent(c, f -> called(caseId, Understood.FolderPath.of(f)));
                if (called.size() > NAMED) {
                    folders.remove(c);
                    tooMany.add(c);
                }
            } else if (c instanceof Condition.Like l) {
                likes.put(l.line(), likeness(caseId, l.line(), into));
            }
        });
        return new Understood(question, into, folders, likes, beside, media(caseId));
    }

    /** Each device by its place among the others, and by its slot. */
    private static Map<String, Long> called(List<CaseViews.Device> devices) {
        Map<String, Long> called = new HashMap<>();
        devices.forEach(d -> called.put("device " + d.position(), d.id()));
        devices.forEach(d -> called.putIfAbsent(d.which(), d.id()));
        return called;
    }

    /** The scan sessions of each device. */
    private Map<Long, List<Long>> media(long caseId) {
        Map<Long, List<Long>> media = new HashMap<>();
        searched.devices(caseId).forEach((session, device) -> media.computeIfAbsent(device, d -> new ArrayList<>())
                .add(session));
        return media;
    }

    private static void each(Condition c, Consumer<Condition> told) {
        if (c instanceof Condition.Every e) {
            e.of().forEach(o -> each(o, told));
        } else if (c instanceof Condition.Any a) {
            a.of().forEach(o -> each(o, told));
        } else if (c instanceof Condition.Not n) {
            each(n.of(), told);
        } else {
            told.accept(c);
        }
    }

    private List<Long> called(long caseId, Understood.FolderPath path) {
        return sql.queryForList(
                "select id from catalogue_folder where case_id = ? and path ilike ? and path || '/' ilike ? and "
                        + "lines > 0 limit ?",
                Long.class,
                caseId,
                path.part(),
                path.whole() == null ? "%" : path.whole(),
                NAMED + 1);
    }

    private Understood.Beside beside(LineNumbers question) {
        List<Object> values = new ArrayList<>(question.values());
        values.add(NAMED + 1);
        List<Long> lines = sql.queryForList(question.sql() + " limit ?", Long.class, values.toArray());
        return new Understood.Beside(lines.size() > NAMED ? null : lines, question);
    }

    private boolean isLine(long caseId, long line) {
        return !sql.queryForList(
                        "select id from catalogue_line where case_id = ? and id = ? and merged_into is null",
                        Long.class,
                        caseId,
                        line)
                .isEmpty();
    }

    private Understood.Likeness likeness(long caseId, long line, boolean into) {
        return sql.queryForObject(
                "select kind, about::jsonb ->> 'device' as device, folder_id from catalogue_line where case_id = ? and "
                        + "id = ?",
                (row, n) -> {
                    String device = into ? row.getString("device") : null;
                    long folder = row.getLong("folder_id");
                    return new Understood.Likeness(
                            row.getString("kind"),
                            device == null ? null : "\"" + About.DEVICE + "\":" + Json.write(device),
                            row.wasNull() ? null : folder);
                },
                caseId,
                line);
    }
}
