package org.brantel.demo;

import org.springframework.boot.autoconfigure.AutoConfiguration;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.context.annotation.ComponentScan;

/** A server with this module on its class path is the demo lab; a lab's own server does not carry it. */
@AutoConfiguration
@ComponentScan
@EnableConfigurationProperties(DemoSettings.class)
class DemoModule {}
