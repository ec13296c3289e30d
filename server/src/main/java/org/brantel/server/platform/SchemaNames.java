package org.brantel.server.platform;

import com.fasterxml.jackson.annotation.JsonAutoDetect;
import com.fasterxml.jackson.annotation.JsonUnwrapped;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import com.fasterxml.jackson.databind.ObjectMapper;
import io.swagger.v3.core.jackson.ModelResolver;
import io.swagger.v3.core.jackson.TypeNameResolver;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.providers.ObjectMapperProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Names of the API's schemas: a nested record is named with what it belongs to, so that no two share a name. */
@Configuration(proxyBeanMethods = false)
class SchemaNames {

    private final Map<String, Class<?>> named = new ConcurrentHashMap<>();

    @Bean
    ModelResolver modelResolver(ObjectMapperProvider mappers) {
        ObjectMapper mapper = mappers.jsonMapper();
        mapper.setVisibility(PropertyAccessor.IS_GETTER, JsonAutoDetect.Visibility.NONE);
        return new ModelResolver(mapper, new TypeNameResolver() {
            @Override
            protected String nameForClass(Class<?> type, Set<Options> options) {
                String name = nameOf(type);
                Class<?> before = named.put(name, type);
                if (before != null && before != type) {
                    throw new IllegalStateException(
                            before.getName() + " and " + type.getName() + " would both be the schema " + name);
                }
                return name;
            }
        });
    }

    static String nameOf(Class<?> type) {
        Class<?> outer = type.getEnclosingClass();
        if (outer == null) {
            return type.getSimpleName();
        }
        String prefix = nameOf(outer).replaceFirst("(Views|Controller|Service)$", "");
        return type.getSimpleName().startsWith(prefix) ? type.getSimpleName() : prefix + type.getSimpleName();
    }

    /** What a schema describes; empty for one that is put together by hand. */
    Optional<Class<?>> type(String schema) {
        return Optional.ofNullable(named.get(schema));
    }

    /** Properties of a schema that may be absent. */
    Set<String> absentable(String schema) {
        Class<?> type = named.get(schema);
        return type == null
                ? Set.of()
                : properties(type)
                        .filter(c -> c.getAnnotatedType().isAnnotationPresent(Nullable.class))
                        .map(RecordComponent::getName)
                        .collect(Collectors.toSet());
    }

    /** A record's parts; parts that are unwrapped are seen through. */
    private static Stream<RecordComponent> properties(Class<?> type) {
        return type.isRecord()
                ? Arrays.stream(type.getRecordComponents())
                        .flatMap(c -> isUnwrapped(c) ? properties(c.getType()) : Stream.of(c))
                : Stream.empty();
    }

    static boolean isUnwrapped(RecordComponent component) {
        return component.getAccessor().isAnnotationPresent(JsonUnwrapped.class);
    }
}
