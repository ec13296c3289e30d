package org.brantel.server.locks;

/** How far into a customer's files the lab may look; each step allows what the ones before it allow. */
public enum Look {
    /** Names, places, sizes and times, as the file system's records say them. */
    NAMES("file names"),
    /** Small pictures, first lines, and what content says of itself: titles, capture times, authors. */
    PREVIEWS("previews"),
    /** The bytes themselves. */
    CONTENTS("contents");

    private final String words;

    Look(String words) {
        this.words = words;
    }

    String words() {
        return words;
    }

    /** @param word of the consent; empty when nothing was asked yet, which allows no more than names */
    public static Look ofConsent(String word) {
        return switch (word == null ? "" : word) {
            case "contents" -> CONTENTS;
            case "previews" -> PREVIEWS;
            default -> NAMES;
        };
    }

    boolean allows(Look needed) {
        return compareTo(needed) >= 0;
    }
}
