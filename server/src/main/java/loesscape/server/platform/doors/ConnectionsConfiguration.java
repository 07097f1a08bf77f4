package loesscape.server.platform.doors;

import java.time.Duration;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.Scheduled;

/** Puts {@link Connections} in place of the usual ones. */
@Configuration(proxyBeanMethods = false)
class ConnectionsConfiguration {

    private final List<Connections> connections = new CopyOnWriteArrayList<>();

    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> tomcat(
            Facing facing,
            @Value("${loesscape.connections.of-one}") int mostOfOne,
            @Value("${loesscape.connections.patience}") Duration patience) {
        return factory -> {
            factory.setProtocol(Connections.class.getName());
            factory.addProtocolHandlerCustomizers((Connections made) -> {
                made.bound(facing.behind(), mostOfOne, patience);
                connections.add(made);
            });
        };
    }

    @Scheduled(fixedDelay = 1, timeUnit = TimeUnit.SECONDS)
    void letGo() {
        connections.forEach(Connections::letGo);
    }
}
