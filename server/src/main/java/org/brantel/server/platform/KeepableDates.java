package org.brantel.server.platform;

import java.time.DateTimeException;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.convert.converter.Converter;
import org.springframework.format.FormatterRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.ext.javatime.deser.LocalDateDeserializer;
import tools.jackson.databind.module.SimpleModule;

/** A day of a request has a year of four digits: what lies beyond is a slip, and more than the database can keep. */
@Configuration(proxyBeanMethods = false)
class KeepableDates implements WebMvcConfigurer {

    private static final int LAST_YEAR = 9999;

    /** In addresses. */
    @Override
    public void addFormatters(FormatterRegistry registry) {
        registry.addConverter(new InAddress());
    }

    @Bean
    JacksonModule datesOfBodies() {
        return new SimpleModule("keepable dates").addDeserializer(LocalDate.class, new Day());
    }

    private static LocalDate keepable(LocalDate day) {
        if (day.getYear() < 1 || day.getYear() > LAST_YEAR) {
            throw new DateTimeException("the year " + day.getYear() + " is none of four digits");
        }
        return day;
    }

    private static final class InAddress implements Converter<String, LocalDate> {

        @Override
        public LocalDate convert(String text) {
            return keepable(LocalDate.parse(text));
        }
    }

    private static final class Day extends StdScalarDeserializer<LocalDate> {

        Day() {
            super(LocalDate.class);
        }

        @Override
        public @Nullable LocalDate deserialize(JsonParser parser, DeserializationContext context) {
            LocalDate day = LocalDateDeserializer.INSTANCE.deserialize(parser, context);
            return day == null ? null : keepable(day);
        }
    }
}
