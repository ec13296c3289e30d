package org.brantel.core.filesystem;

import org.jspecify.annotations.Nullable;

/** One thing that speaks against a file's bytes being its own and all there, with its numbers. */
public sealed interface Fault {

    /** One sentence for people. */
    String words();

    /** Whether nothing of the content can be left. */
    default boolean overwrites() {
        return false;
    }

    /** How far a file with this fault may still be trusted, 0 to 100. */
    default int trust() {
        return overwrites() ? NONE_LEFT : DOUBTED;
    }

    int DOUBTED = 40;
    int CLAIMED = 30;
    /** Some of its bytes are surely others'. */
    int PARTLY = 5;

    int NONE_LEFT = 2;

    private static String overwritten(String how) {
        return "Overwritten: " + how + ".";
    }

    /** Clusters that another live file claims as well. */
    record Shared(long clusters, long of) implements Fault {
        @Override
        public String words() {
            return clusters + " of its " + of + " clusters are claimed by another live file as well.";
        }
    }

    /** Clusters that a file deleted later claims, or that are proven to be another's. */
    record ClaimedSince(long clusters, long of) implements Fault {
        @Override
        public String words() {
            return clusters + " of its " + of
                    + " clusters are claimed by a file deleted later, or proven to be another's.";
        }

        @Override
        public boolean overwrites() {
            return clusters == of;
        }

        @Override
        public int trust() {
            return overwrites() ? NONE_LEFT : CLAIMED;
        }
    }

    /** Bytes that the volume which was made over this one has written. */
    record MadeOver(long bytes, long of) implements Fault {
        @Override
        public String words() {
            return overwrites()
                    ? overwritten("the volume that was made over this one uses all of its " + of + " bytes")
                    : "The volume that was made over this one uses " + bytes + " of its " + of + " bytes.";
        }

        @Override
        public boolean overwrites() {
            return bytes == of;
        }

        @Override
        public int trust() {
            return overwrites() ? NONE_LEFT : PARTLY;
        }
    }

    /** Clusters in which live data stands. */
    record InUse(long clusters, long of) implements Fault {
        @Override
        public String words() {
            return overwrites()
                    ? overwritten("live data stands in all of its " + of + " clusters")
                    : "Live data stands in " + clusters + " of its " + of + " clusters.";
        }

        @Override
        public boolean overwrites() {
            return clusters == of;
        }

        @Override
        public int trust() {
            return overwrites() ? NONE_LEFT : PARTLY;
        }
    }

    /** Clusters whose allocation was not read. */
    record UseUnknown(long clusters) implements Fault {
        @Override
        public String words() {
            return "Whether live data stands in " + clusters
                    + " of its clusters is unknown: the allocation was not read there.";
        }
    }

    /** Only the name is left. */
    record OnlyItsName(String why) implements Fault {
        @Override
        public String words() {
            return overwritten(why);
        }

        @Override
        public boolean overwrites() {
            return true;
        }
    }

    /** Zeros stand where the content was; {@code maybeItsOwn} where zeros can be a content of its kind. */
    record Zeros(boolean maybeItsOwn) implements Fault {
        @Override
        public String words() {
            return maybeItsOwn
                    ? "It is nothing but zeros; that may be its content, or it was wiped."
                    : overwritten("nothing but zeros stands where its content was");
        }

        @Override
        public boolean overwrites() {
            return !maybeItsOwn;
        }
    }

    /** Compressed units that do not unpack. */
    record Packed(long bad, long of) implements Fault {
        @Override
        public String words() {
            return bad + " of its " + of + " compressed units do not unpack.";
        }
    }

    /** A chain that does not lead to the end; {@code why} is null where it ends early. */
    record BrokenChain(long clusters, long of, @Nullable String why) implements Fault {
        @Override
        public String words() {
            return "Its chain holds " + clusters + " of " + of + " clusters: " + (why == null ? "it ends early" : why)
                    + ".";
        }
    }

    /** Runs or extents that place less than the size. */
    record Unplaced(long placed, long of, String why) implements Fault {
        @Override
        public String words() {
            return "Only " + placed + " of its " + of + " bytes are placed: " + why + ".";
        }
    }

    /** Blocks that lead back to one that was passed. */
    record Circle() implements Fault {
        @Override
        public String words() {
            return "Its blocks lead in a circle.";
        }
    }

    /** Nothing in the record leads to a byte. */
    record NoPlace(String why) implements Fault {
        @Override
        public String words() {
            return "Nothing leads to its bytes: " + why + ".";
        }
    }

    /** A size that the volume cannot hold from the first cluster on. */
    record BeyondVolume(long size) implements Fault {
        @Override
        public String words() {
            return "Its record claims " + size + " bytes, more than the volume holds from its first cluster on.";
        }
    }

    /** A hole larger than any medium like this one. */
    record GreatHole(long size, long mediumBytes) implements Fault {
        @Override
        public String words() {
            return "It claims " + size + " bytes, nearly all of them a hole, on a medium of " + mediumBytes
                    + "; the hole is left out.";
        }
    }

    /** An erased chain that is guessed to go around older live files. */
    record GuessedAround(long clusters) implements Fault {
        @Override
        public String words() {
            return "Its chain is erased; it is guessed to go around " + clusters + " clusters of older live files.";
        }
    }

    /** An erased chain that is guessed to go straight on, against its record. */
    record GuessedStraight() implements Fault {
        @Override
        public String words() {
            return "Its chain is erased, and its record says that its clusters did not follow each other; they "
                    + "are guessed to.";
        }
    }

    /** A block beside the record, at a byte of the source, that says where the content lies and fails its checksum. */
    record MapChecksum(long at) implements Fault {
        @Override
        public String words() {
            return "The block at byte " + at + ", which says where its bytes lie, fails its checksum.";
        }
    }

    /** A record that fails its own checksum. */
    record Checksum() implements Fault {
        @Override
        public String words() {
            return "Its record fails its checksum.";
        }
    }

    /** Content that the file system keeps encrypted. */
    record Encrypted() implements Fault {
        @Override
        public String words() {
            return "It is encrypted by the file system; without its owner's key only ciphertext comes back.";
        }
    }

    /** A record in use that no folder lists. */
    record Unlisted() implements Fault {
        @Override
        public String words() {
            return "No folder lists it; it is in use all the same.";
        }
    }

    /** A record that points elsewhere for its content. */
    record Elsewhere(String words) implements Fault {}
}
