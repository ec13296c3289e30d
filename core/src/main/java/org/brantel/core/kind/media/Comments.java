package org.brantel.core.kind.media;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.brantel.core.kind.About;

/** Comments as Ogg and FLAC hold them (Vorbis I, section 5): {@code NAME=value}, each behind its length. */
final class Comments {

    private static final Pattern FIELD = Pattern.compile("(?i)(TITLE|ARTIST|ALBUM)=([^\\p{Cntrl}\\uFFFD]{1,200})");

    private Comments() {}

    static About in(String text, About about) {
        About told = about;
        Matcher field = FIELD.matcher(text);
        while (field.find()) {
            String what =
                    switch (field.group(1).toUpperCase(java.util.Locale.ROOT)) {
                        case "TITLE" -> About.TITLE;
                        case "ARTIST" -> About.AUTHOR;
                        default -> About.ALBUM;
                    };
            told = told.get(what) == null ? told.with(what, field.group(2)) : told;
        }
        return told;
    }
}
