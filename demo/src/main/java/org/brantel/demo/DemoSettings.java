package org.brantel.demo;

import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * @param enabled false where tests want the module's classes and not its lab
 * @param cases   how many cases of past years the demo lab has besides its own
 */
@ConfigurationProperties("brantel.demo")
record DemoSettings(
        @DefaultValue("true") boolean enabled,
        @DefaultValue("0") int cases) {}
