package org.brantel.server.triage;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import org.brantel.server.intake.Stage;

/** Decisions have always kept a stage by its word. */
@Converter
class StageWord implements AttributeConverter<Stage, String> {

    @Override
    public String convertToDatabaseColumn(Stage stage) {
        return stage == null ? null : stage.word();
    }

    @Override
    public Stage convertToEntityAttribute(String word) {
        return word == null ? null : Stage.ofWord(word).orElseThrow();
    }
}
