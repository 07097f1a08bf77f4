package loesscape.server.platform.database;

import com.zaxxer.hikari.HikariDataSource;
import java.nio.file.Path;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.env.Environment;

/** Puts {@link OneWriter} in front of the pool of connections. */
@Configuration(proxyBeanMethods = false)
class DatabaseConfiguration {

    @Bean
    static BeanPostProcessor oneWriter(Environment environment) {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                return bean instanceof HikariDataSource pool
                        ? new OneWriter(pool, new DiskRoom(Path.of(environment.getRequiredProperty("loesscape.data"))))
                        : bean;
            }
        };
    }
}
