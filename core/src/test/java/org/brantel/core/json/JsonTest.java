package org.brantel.core.json;

import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is malformed is named by where it stands, in words that know no classes. */
class JsonTest {

    private record Inner(int depth) {}

    private record Outer(String name, Inner inner) {}

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "{\"name\": \"pier\", \"wharf\": 1} | 'wharf' is not a name that belongs there",
                "{\"inner\": {\"depth\": \"deep\"}} | 'deep' at inner.depth is not what belongs there",
                "{\"inner\": [1]} | what stands at inner is of another kind than belongs there",
            })
    void saysWhatAndWhere(String text, String why) {
        assertThatThrownBy(() -> Json.read(text, Outer.class, "chart", "here"))
                .isInstanceOf(Json.MalformedJson.class)
                .hasMessageStartingWith("The chart here, line 1 is malformed: " + why)
                .message()
                .doesNotContain("org.brantel");
    }

    @Test
    void saysInWhichLine() {
        assertThatThrownBy(() -> Json.read("{\n\"name\":\n}", Outer.class, "chart", "here"))
                .hasMessageContaining("line 3");
    }
}
