package loesscape.server.outside;

import loesscape.server.outside.OutsideStore.Setting;
import loesscape.server.platform.web.OutsideFailed;
import org.springframework.stereotype.Component;

/** Asks the services outside, as they are set, and notes what passed between them and this server. */
@Component
public class OutsideLog {

    private final OutsideStore store;

    OutsideLog(OutsideStore store) {
        this.store = store;
    }

    /**
     * Waits as long as the service takes.
     *
     * @throws OutsideFailed where it is made to fail
     */
    public void ask(OutsideService service, String what) {
        Setting setting = store.setting(service);
        if (setting.delay() > 0) {
            try {
                Thread.sleep(setting.delay());
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new OutsideFailed("The server is being stopped.");
            }
        }
        if (setting.failing()) {
            passed(service, what, true);
            throw new OutsideFailed("The service does not answer.");
        }
    }

    /** Keeps that something passed, in the transaction that runs, if one does. */
    public void passed(OutsideService service, String what, boolean failed) {
        store.passed(service, what, failed);
    }
}
