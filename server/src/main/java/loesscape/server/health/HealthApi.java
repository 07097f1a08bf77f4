package loesscape.server.health;

import org.springframework.boot.availability.ApplicationAvailability;
import org.springframework.boot.availability.ReadinessState;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Whether the server is there, and whether it takes requests: for whatever starts it again, or sends requests to it. */
@RestController
class HealthApi {

    private final HealthStore store;
    private final ApplicationAvailability availability;

    HealthApi(HealthStore store, ApplicationAvailability availability) {
        this.store = store;
        this.availability = availability;
    }

    /**
     * How the server is.
     *
     * @param live whether it answers; where it does not, it is to be started again
     * @param ready whether it takes requests now: its database can be read, and it is not being stopped
     */
    public record Health(boolean live, boolean ready) {}

    @GetMapping("/healthz")
    ResponseEntity<Health> health() {
        boolean ready = availability.getReadinessState() == ReadinessState.ACCEPTING_TRAFFIC && store.canRead();
        return ResponseEntity.status(ready ? HttpStatus.OK : HttpStatus.SERVICE_UNAVAILABLE)
                .header(HttpHeaders.CACHE_CONTROL, "no-store")
                .body(new Health(true, ready));
    }
}
