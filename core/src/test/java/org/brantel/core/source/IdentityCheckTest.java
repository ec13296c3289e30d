package org.brantel.core.source;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;

class IdentityCheckTest {

    private static final Identity ON_CASE = new Identity("Corran", "Fjord 32", "CF1-32M-00418", 32_000_000);

    private static IdentityCheck.Verdict serialOf(Identity found) {
        return IdentityCheck.compare(ON_CASE, found).lines().get(0).verdict();
    }

    @Test
    void labelsCopiedByHandAreTheSameDevice() {
        IdentityCheck check =
                IdentityCheck.compare(ON_CASE, new Identity("corran", "FJORD-32", "cf1 32m 00418", 33_554_432));
        assertThat(check.matches()).isTrue();
        assertThat(check.lines())
                .extracting(IdentityCheck.Line::verdict)
                .containsExactly(IdentityCheck.Verdict.EQUAL, IdentityCheck.Verdict.EQUAL, IdentityCheck.Verdict.FITS);
    }

    /** Only equal numbers are called equal, and what nobody gave is not said to have been compared. */
    @Test
    void theWordsSayNoMoreThanWasCompared() {
        Identity label = new Identity("", "", "", 64_000_000_000L);
        assertThat(IdentityCheck.compare(label, Identity.ofSize(63_998_000_000L))
                        .words())
                .isEqualTo("no serial on either side, no model on either side, size fits the label (64 GB on the "
                        + "label, 59.6 GiB)");
        assertThat(IdentityCheck.compare(label, Identity.ofSize(64_000_000_000L))
                        .words())
                .endsWith("size equal, 64000000000 bytes");
        assertThat(IdentityCheck.compare(ON_CASE, Identity.ofSize(0)).words())
                .isEqualTo("the medium gives no serial, the medium gives no model, the medium gives no size");
        assertThat(IdentityCheck.compare(label, Identity.ofSize(128_000_000_000L))
                        .words())
                .endsWith("size differs (64 GB on the label, 119 GiB)");
    }

    @Test
    void theMediumThatMatchesBestWeighsMost() {
        IdentityCheck all =
                IdentityCheck.compare(ON_CASE, new Identity("Corran", "Fjord 32", "CF1-32M-00418", 32_000_000));
        IdentityCheck model = IdentityCheck.compare(ON_CASE, new Identity("Corran", "Fjord 32", "", 32_000_000));
        IdentityCheck size = IdentityCheck.compare(ON_CASE, Identity.ofSize(32_000_000));
        IdentityCheck near = IdentityCheck.compare(ON_CASE, Identity.ofSize(31_900_000));
        IdentityCheck other = IdentityCheck.compare(ON_CASE, new Identity("Corran", "Fjord 64", "", 32_000_000));
        assertThat(List.of(all.weight(), model.weight(), size.weight(), near.weight(), other.weight()))
                .isSortedAccordingTo(Comparator.reverseOrder())
                .doesNotHaveDuplicates()
                .endsWith(0);
    }

    @Test
    void oneCharacterOfTheSerialMakesAnotherDevice() {
        Identity other = new Identity("Corran", "Fjord 32", "CF1-32M-00481", 32_000_000);
        assertThat(serialOf(other)).isEqualTo(IdentityCheck.Verdict.DIFFERS);
        assertThat(IdentityCheck.compare(ON_CASE, other).matches()).isFalse();
    }

    @Test
    void silenceOnOneSideBlocksNothing() {
        IdentityCheck check = IdentityCheck.compare(ON_CASE, Identity.ofSize(32_000_000));
        assertThat(serialOf(Identity.ofSize(32_000_000))).isEqualTo(IdentityCheck.Verdict.SILENT);
        assertThat(check.matches()).isTrue();
    }

    @Test
    void aSizeFarFromTheLabelIsAnotherDevice() {
        assertThat(IdentityCheck.compare(ON_CASE, new Identity("Corran", "Fjord 32", "CF1-32M-00418", 64_000_000))
                        .matches())
                .isFalse();
    }
}
