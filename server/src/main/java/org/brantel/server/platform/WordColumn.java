package org.brantel.server.platform;

import jakarta.persistence.AttributeConverter;
import java.util.Arrays;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** Stores constants by their words: small letters, with dashes between the parts of a name. */
public abstract class WordColumn<E extends Enum<E>> implements AttributeConverter<E, String> {

    private final Class<E> type;

    protected WordColumn(Class<E> type) {
        this.type = type;
    }

    @Override
    public @Nullable String convertToDatabaseColumn(E constant) {
        return constant == null ? null : word(constant);
    }

    @Override
    public @Nullable E convertToEntityAttribute(String stored) {
        return stored == null
                ? null
                : Arrays.stream(type.getEnumConstants())
                        .filter(c -> word(c).equals(stored))
                        .findFirst()
                        .orElseThrow(() -> new IllegalStateException(
                                "the database holds '" + stored + "', which is no " + type.getSimpleName()));
    }

    private static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
