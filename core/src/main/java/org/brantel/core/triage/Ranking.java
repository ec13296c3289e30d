package org.brantel.core.triage;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What triage says. The JSON form is the command line's.
 *
 * @param protocol     name and version
 * @param ranking      open paths first, highest score first; barred ones after them
 * @param nextQuestion the unanswered fact that would move the ranking most, or null
 * @param meanwhile    what to do that harms no path
 * @param unknownFacts codes that were asked without an answer
 * @param conflicts    where the bench saw something else than was told
 */
public record Ranking(
        String protocol,
        List<Ranked> ranking,
        List<Stop> stopRules,
        @Nullable Question nextQuestion,
        List<String> meanwhile,
        List<String> unknownFacts,
        List<String> conflicts) {

    /** The first open path; null when every path is barred. */
    public @Nullable RecoveryPath leader() {
        return ranking.stream()
                .filter(r -> !r.barred())
                .map(Ranked::path)
                .findFirst()
                .orElse(null);
    }

    /** @param barredBecause reasons; empty when the path is open */
    public record Ranked(
            RecoveryPath path,
            String label,
            int score,
            boolean barred,
            List<String> barredBecause,
            @JsonProperty("for") List<Piece> speaksFor,
            List<Piece> against) {}

    /** @param observed whether the fact was seen on the bench rather than told */
    public record Piece(String fact, int weight, String reason, boolean observed) {}

    public record Stop(String code, List<String> because, String say) {

        /** Whether it forbids powering or reading the device; other rules say what must not be done to it elsewhere. */
        public boolean forbidsPower() {
            return code.equals("no-power");
        }
    }

    public record Question(String fact, String ask, List<RecoveryPath> wouldMove, List<Answer> answers) {}

    /** @param leads the path that would lead with this answer */
    public record Answer(String value, RecoveryPath leads) {}
}
