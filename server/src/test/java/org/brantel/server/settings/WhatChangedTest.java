package org.brantel.server.settings;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WhatChangedTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{'healthSeconds':30,'quiet':false} | {'healthSeconds':2,'quiet':false} | health seconds from 30 to 2",
                "{'a':{'bB':1}} | {'a':{'bB':1},'c':true} | c from none to true",
                "{'boxes':[{'name':'one'}]} | {'boxes':[]} | boxes 1 name from one to none",
                "{'a':null} | {'a':null} | nothing",
            })
    void saysEachValueThatIsAnother(String before, String after, String words) {
        assertThat(WhatChanged.words(before.replace('\'', '"'), after.replace('\'', '"')))
                .isEqualTo(words);
    }

    @Test
    void tellsNoLongTexts() {
        assertThat(WhatChanged.words("{\"body\":\"x\"}", "{\"body\":\"" + "y".repeat(200) + "\"}"))
                .isEqualTo("body worded anew");
    }
}
