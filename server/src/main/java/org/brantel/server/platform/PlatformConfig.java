package org.brantel.server.platform;

import io.swagger.v3.oas.models.media.Schema;
import jakarta.annotation.Nullable;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.PropertyCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

@Configuration(proxyBeanMethods = false)
class PlatformConfig implements WebMvcConfigurer {

    private static final String MAY_BE_ABSENT = "x-may-be-absent";

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }

    @Bean
    PropertyCustomizer markNullable() {
        return (property, type) -> {
            if (type.getCtxAnnotations() != null) {
                for (var annotation : type.getCtxAnnotations()) {
                    if (annotation.annotationType() == Nullable.class) {
                        property.addExtension(MAY_BE_ABSENT, true);
                    }
                }
            }
            return property;
        };
    }

    /** Every property is always there unless it says that it may be absent. */
    @Bean
    OpenApiCustomizer requireTheRest() {
        return api -> {
            api.setServers(null);
            api.getInfo().title("Brantel").version("1");
            api.getComponents().getSchemas().values().forEach(PlatformConfig::require);
        };
    }

    @SuppressWarnings("rawtypes")
    private static void require(Schema schema) {
        Map<String, Schema> properties = schema.getProperties();
        if (properties == null) {
            return;
        }
        List<String> required = new ArrayList<>();
        properties.forEach((name, property) -> {
            if (property.getExtensions() != null && property.getExtensions().remove(MAY_BE_ABSENT) != null) {
                if (property.getExtensions().isEmpty()) {
                    property.setExtensions(null);
                }
            } else {
                required.add(name);
            }
        });
        schema.setRequired(required);
    }

    /** Deep links of the front end: it does its own routing. */
    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        for (String path : new String[] {"/desk", "/intake", "/bench", "/handover", "/ledger", "/sign-in", "/setup",
            "/cases/**", "/d/**"}) {
            registry.addViewController(path).setViewName("forward:/index.html");
        }
    }
}
