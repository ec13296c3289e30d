package org.brantel.server.intake;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import org.brantel.core.triage.RecoveryPath;

/** A recovery path is stored as protocols write it. */
@Converter(autoApply = true)
class PathColumn implements AttributeConverter<RecoveryPath, String> {

    @Override
    public String convertToDatabaseColumn(RecoveryPath path) {
        return path == null ? null : path.word();
    }

    @Override
    public RecoveryPath convertToEntityAttribute(String word) {
        return word == null ? null : RecoveryPath.ofWord(word).orElseThrow();
    }
}
