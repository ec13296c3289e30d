package org.brantel.server.platform;

import com.fasterxml.jackson.annotation.JsonAutoDetect;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import com.fasterxml.jackson.databind.ObjectMapper;
import io.swagger.v3.core.jackson.ModelResolver;
import io.swagger.v3.core.jackson.TypeNameResolver;
import jakarta.annotation.Nullable;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springdoc.core.providers.ObjectMapperProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Names of the API's schemas: a nested record is named with what it belongs to, so that no two share a name. */
@Configuration(proxyBeanMethods = false)
class SchemaNames {

    /** The core knows no annotation for it; its Javadoc says which of its properties may be absent. */
    private static final Map<String, Set<String>> OF_THE_CORE = Map.of(
            "Ranking",
            Set.of("nextQuestion"),
            "ProtocolFactCode",
            Set.of("checks"),
            "Movement",
            Set.of("ledBefore", "leadsNow"),
            "Estimate",
            Set.of("imaging", "scanning"),
            "WantedLine",
            Set.of("from", "to"),
            "WantedTally",
            Set.of("confirmed"),
            "ScanReport",
            Set.of("claims"));

    private final Map<String, Class<?>> named = new ConcurrentHashMap<>();

    @Bean
    ModelResolver modelResolver(ObjectMapperProvider mappers) {
        ObjectMapper mapper = mappers.jsonMapper();
        mapper.setVisibility(PropertyAccessor.IS_GETTER, JsonAutoDetect.Visibility.NONE);
        return new ModelResolver(mapper, new TypeNameResolver() {
            @Override
            protected String nameForClass(Class<?> type, Set<Options> options) {
                String name = nameOf(type);
                named.put(name, type);
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

    /** Properties of a schema that may be absent. */
    Set<String> absentable(String schema) {
        Class<?> type = named.get(schema);
        if (type == null || !type.isRecord()) {
            return OF_THE_CORE.getOrDefault(schema, Set.of());
        }
        Set<String> names = Arrays.stream(type.getRecordComponents())
                .filter(c ->
                        c.isAnnotationPresent(Nullable.class) || c.getAccessor().isAnnotationPresent(Nullable.class))
                .map(RecordComponent::getName)
                .collect(Collectors.toSet());
        names.addAll(OF_THE_CORE.getOrDefault(schema, Set.of()));
        return names;
    }
}
