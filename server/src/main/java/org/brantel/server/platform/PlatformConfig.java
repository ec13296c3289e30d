package org.brantel.server.platform;

import com.fasterxml.jackson.annotation.JsonAutoDetect;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.servers.Server;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.OperationCustomizer;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.util.StringUtils;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;

@Configuration(proxyBeanMethods = false)
class PlatformConfig implements WebMvcConfigurer {

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }

    /** A record's properties are its components; {@code isEmpty()} and the like are questions, not data. */
    @Bean
    JsonMapperBuilderCustomizer componentsOnly() {
        return builder ->
                builder.changeDefaultVisibility(v -> v.withIsGetterVisibility(JsonAutoDetect.Visibility.NONE));
    }

    /** The API is where the pages are, under whatever address they were fetched. */
    @Bean
    OpenAPI api() {
        return new OpenAPI().info(new Info().title("Brantel").version("1")).servers(List.of(new Server().url("/")));
    }

    /** An operation is named by what it is about and what it does: {@code scan.start}. */
    @Bean
    OperationCustomizer operationNames() {
        return (operation, handler) -> {
            String feature = handler.getBeanType().getSimpleName().replaceFirst("Controller$", "");
            return operation.operationId(StringUtils.uncapitalize(feature) + "."
                    + handler.getMethod().getName());
        };
    }

    /** Every property is always there unless its record says that it may be absent. */
    @Bean
    OpenApiCustomizer requireTheRest(SchemaNames names) {
        return api -> {
            api.getComponents().getSchemas().forEach((name, schema) -> {
                names.type(name).ifPresent(type -> SchemaTexts.describe(schema, type));
                Map<String, ?> properties = schema.getProperties();
                if (properties != null) {
                    Set<String> absent = names.absentable(name);
                    schema.setRequired(properties.keySet().stream()
                            .filter(p -> !absent.contains(p))
                            .toList());
                }
            });
        };
    }

    /** What has its content's hash in its name never changes; the build packed it, so that nobody does for each request. */
    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable())
                .resourceChain(true)
                .addResolver(new EncodedResourceResolver());
    }

    /** Deep links of the front end: it does its own routing. */
    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        registry.addViewController(FrontEnd.PAGES).setViewName("forward:/index.html");
    }
}
