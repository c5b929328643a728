package org.jalousie.server.web;

import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.catalina.valves.RemoteIpValve;
import org.jalousie.server.Settings;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * Where a request really comes from. A caller's address stands in the evidence of a signature, so what a header says about it
 * counts only when the proxy that sends it is named in the settings.
 */
@Configuration
class ProxySetup {
    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> namedProxies(Settings settings) {
        return factory -> {
            List<String> proxies = settings.proxies().stream()
                    .map(String::strip)
                    .filter(one -> !one.isEmpty())
                    .toList();
            if (proxies.isEmpty()) return;
            RemoteIpValve valve = new RemoteIpValve();
            valve.setInternalProxies(proxies.stream().map(Pattern::quote).collect(Collectors.joining("|")));
            valve.setProtocolHeader("X-Forwarded-Proto");
            factory.addEngineValves(valve);
        };
    }
}
