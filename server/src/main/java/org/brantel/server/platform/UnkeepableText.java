package org.brantel.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.KeyDeserializer;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.module.SimpleModule;

/** No text of the database can hold U+0000: whoever sends it is told, wherever it stands in a request. */
@Component
class UnkeepableText extends OncePerRequestFilter {

    private static final String WHY = "a text holds the sign U+0000, which cannot be kept; take it out and try again";
    /** Nothing else stands for it in an address. */
    private static final String IN_ADDRESS = "%00";

    private final Problems problems;

    UnkeepableText(Problems problems) {
        this.problems = problems;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String query = request.getQueryString();
        if (query != null && query.contains(IN_ADDRESS)) {
            problems.answer(response, HttpStatus.BAD_REQUEST, "It could not be taken: " + WHY + ".");
            return;
        }
        chain.doFilter(request, response);
    }

    /** What JSON holds. */
    @Configuration(proxyBeanMethods = false)
    static class InBodies {

        @Bean
        JacksonModule textOfBodies() {
            return new SimpleModule("keepable text")
                    .addDeserializer(String.class, new Text())
                    .addKeyDeserializer(String.class, new Key());
        }
    }

    private static String keepable(String text) {
        if (text != null && text.indexOf('\0') >= 0) {
            throw new IllegalArgumentException(WHY);
        }
        return text;
    }

    private static final class Text extends StdScalarDeserializer<String> {

        Text() {
            super(String.class);
        }

        @Override
        public String deserialize(JsonParser parser, DeserializationContext context) {
            return keepable(StringDeserializer.instance.deserialize(parser, context));
        }
    }

    private static final class Key extends KeyDeserializer {

        @Override
        public Object deserializeKey(String key, DeserializationContext context) {
            return keepable(key);
        }
    }
}
