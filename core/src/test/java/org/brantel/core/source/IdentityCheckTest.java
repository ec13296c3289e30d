package org.brantel.core.source;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class IdentityCheckTest {

    private static final Identity ON_CASE = new Identity("Corran", "Fjord 32", "CF1-32M-00418", 32_000_000);

    private static IdentityCheck.Verdict serialOf(Identity found) {
        return IdentityCheck.compare(ON_CASE, found).lines().get(0).verdict();
    }

    @Test
    void labelsCopiedByHandAreTheSameDevice() {
        IdentityCheck check = IdentityCheck.compare(ON_CASE, new Identity("corran", "FJORD-32", "cf1 32m 00418", 33_554_432));
        assertThat(check.matches()).isTrue();
        assertThat(check.lines()).allMatch(l -> l.verdict() == IdentityCheck.Verdict.EQUAL);
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
        assertThat(IdentityCheck.compare(ON_CASE, new Identity("Corran", "Fjord 32", "CF1-32M-00418", 64_000_000)).matches()).isFalse();
    }
}
