package org.brantel.core.imaging;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.brantel.core.json.Json;

/**
 * How gently a device is read. The four that ship are data ({@code profiles.json} beside this package); docs/imaging.md
 * explains every value.
 *
 * @param code           how it is named in records and on the command line
 * @param words          what it does, in a sentence
 * @param blockBytes     of one request in the sweep; a multiple of every sector size
 * @param slowTimes      a request so many times slower than is usual on this device is trouble too; it is left for
 *                       later
 * @param limits         when the session stops by itself, unless it is given others
 */
public record CareProfile(
        String code,
        String words,
        int blockBytes,
        @JsonUnwrapped Jumps jumps,
        double slowTimes,
        @JsonUnwrapped Patience patience,
        StopLimits limits) {

    /**
     * How far behind a fault reading goes on.
     *
     * @param firstJumpBytes left out behind a first fault
     * @param jumpBytes      left out behind the second fault in a row
     * @param jumpGrowth     times farther at each further one
     * @param jumpMostShare  of the device that is jumped at most
     */
    public record Jumps(long firstJumpBytes, long jumpBytes, int jumpGrowth, double jumpMostShare) {}

    /**
     * @param retries        of a sector that failed by itself
     * @param timeoutSeconds a request may take, where the source can be told
     * @param restMillis     after a fault
     */
    public record Patience(int retries, int timeoutSeconds, int restMillis) {}

    private static final List<CareProfile> SHIPPED = shipped();

    public static final CareProfile HEALTHY = ofWord("healthy");
    public static final CareProfile AGEING = ofWord("ageing");
    public static final CareProfile FAILING = ofWord("failing");
    public static final CareProfile LAST_CHANCE = ofWord("last-chance");

    /** From the least gentle to the gentlest. */
    public static List<CareProfile> all() {
        return SHIPPED;
    }

    /** Bytes of the largest request that any profile makes. */
    static int mostBlockBytes() {
        return SHIPPED.stream().mapToInt(CareProfile::blockBytes).max().orElseThrow();
    }

    /** @throws IllegalArgumentException with a sentence for a person */
    public static CareProfile ofWord(String word) {
        return SHIPPED.stream()
                .filter(p -> p.code.equals(word))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no care profile '" + word + "'; take one of "
                        + SHIPPED.stream().map(CareProfile::code).collect(Collectors.joining(", ")) + "."));
    }

    private static List<CareProfile> shipped() {
        try (InputStream in = CareProfile.class.getResourceAsStream("profiles.json")) {
            return List.copyOf(Arrays.asList(Json.read(
                    new String(in.readAllBytes(), StandardCharsets.UTF_8),
                    CareProfile[].class,
                    "list of care profiles",
                    "profiles.json")));
        } catch (IOException e) {
            throw new IllegalStateException("the care profiles that ship with the product are malformed", e);
        }
    }
}
