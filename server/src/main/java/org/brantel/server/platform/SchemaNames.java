package org.brantel.server.platform;

import io.swagger.v3.core.jackson.ModelResolver;
import io.swagger.v3.core.jackson.TypeNameResolver;
import java.util.Set;
import org.springdoc.core.providers.ObjectMapperProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Names of the API's schemas: a nested record is named with what it belongs to, so that no two share a name. */
@Configuration(proxyBeanMethods = false)
class SchemaNames {

    @Bean
    ModelResolver modelResolver(ObjectMapperProvider mappers) {
        return new ModelResolver(mappers.jsonMapper(), new TypeNameResolver() {
            @Override
            protected String nameForClass(Class<?> type, Set<Options> options) {
                return nameOf(type);
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
}
