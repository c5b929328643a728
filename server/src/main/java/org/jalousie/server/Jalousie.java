package org.jalousie.server;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import org.springframework.context.annotation.Bean;

/** The application. */
// accounts are our own; without this the framework invents a user with a password of its own
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
@ConfigurationPropertiesScan
public class Jalousie {
    public static void main(String[] args) {
        SpringApplication.run(Jalousie.class, args);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
