package loesscape.server.platform.clock;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.concurrent.ThreadPoolTaskScheduler;

/**
 * What is done every so often is done beside each other: a document that takes long to be sealed keeps no code waiting that
 * somebody needs to sign.
 */
@Configuration(proxyBeanMethods = false)
@EnableScheduling
class Scheduling {

    /** More than there is to do; a thread is made only when something needs it. */
    private static final int MOST_AT_ONCE = 50;

    @Bean
    ThreadPoolTaskScheduler taskScheduler() {
        ThreadPoolTaskScheduler scheduler = new ThreadPoolTaskScheduler();
        scheduler.setPoolSize(MOST_AT_ONCE);
        scheduler.setThreadNamePrefix("job-");
        // Whoever is interrupted while they write to the database file would close it for all.
        scheduler.setWaitForTasksToCompleteOnShutdown(true);
        scheduler.setAwaitTerminationSeconds(10);
        return scheduler;
    }
}
