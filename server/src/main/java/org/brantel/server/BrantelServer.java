package org.brantel.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Starts the lab's server. */
@SpringBootApplication
@ConfigurationPropertiesScan
@EnableScheduling
public class BrantelServer {

    public static void main(String[] args) {
        SpringApplication.run(BrantelServer.class, args);
    }
}
