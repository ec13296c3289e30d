package org.brantel.core.filesystem;

/**
 * What the head of a volume says beside its facts.
 *
 * @param words one sentence
 * @param grave so that what is read of it may not be all, or not as it was written
 */
public record Remark(String words, boolean grave) {

    public static Remark grave(String words) {
        return new Remark(words, true);
    }

    /** Of a state that a sound volume may have. */
    public static Remark ofState(String words) {
        return new Remark(words, false);
    }
}
