package org.brantel.demo;

import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/** @param cases how many cases of past years the demo lab has besides its own */
@ConfigurationProperties("brantel.demo")
record DemoSettings(@DefaultValue("0") int cases) {}
