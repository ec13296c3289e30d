package org.brantel.demo;

import org.springframework.boot.autoconfigure.AutoConfiguration;
import org.springframework.boot.autoconfigure.condition.ConditionalOnBooleanProperty;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.context.annotation.ComponentScan;

/** A server with this module on its class path is the demo lab; a lab's own server does not carry it. */
@AutoConfiguration
@ConditionalOnBooleanProperty(name = "brantel.demo.enabled", matchIfMissing = true)
@ComponentScan
@EnableConfigurationProperties(DemoSettings.class)
class DemoModule {}
