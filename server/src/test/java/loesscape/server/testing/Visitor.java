package loesscape.server.testing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
import loesscape.formats.json.Json;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Somebody who talks to the server as the pages do: with cookies and the token against forged requests. */
public final class Visitor {

    private final String address;
    private final Set<HttpRequest> succeeded;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient client =
            HttpClient.newBuilder().cookieHandler(cookies).build();

    /** @param succeeded takes every request that is answered with success */
    Visitor(String address, Set<HttpRequest> succeeded) {
        this.address = address;
        this.succeeded = succeeded;
        get("/api/session");
    }

    /** An answer of the server. */
    public record Answer(HttpResponse<byte[]> response) {

        /** The status code. */
        public int status() {
            return response.statusCode();
        }

        /** The body as text. */
        public String text() {
            return new String(response.body(), StandardCharsets.UTF_8);
        }

        /** The body as JSON. */
        public JsonNode json() {
            return Json.parse(response.body());
        }

        /** This answer, which must be a success. */
        public Answer ok() {
            assertThat(status()).as("%s: %s", response.request().uri(), text()).isBetween(200, 299);
            return this;
        }

        /** This answer, which must be a problem detail (RFC 9457) of a status. */
        public Answer problem(int status) {
            assertThat(status()).as("%s: %s", response.request().uri(), text()).isEqualTo(status);
            assertThat(response.headers().firstValue("Content-Type").orElse("")).startsWith("application/problem+json");
            assertThat(json().get("detail").stringValue()).isNotBlank();
            return this;
        }
    }

    public Answer get(String path) {
        return send("GET", path, null);
    }

    public Answer post(String path, @Nullable String json) {
        return send("POST", path, json);
    }

    public Answer put(String path, String json) {
        return send("PUT", path, json);
    }

    /** Sends bytes as they are. */
    public Answer upload(String path, byte[] content) {
        return upload("POST", path, content);
    }

    /** Sends bytes as they are, with some method. */
    public Answer upload(String method, String path, byte[] content) {
        HttpRequest request = HttpRequest.newBuilder(URI.create(address + path))
                .header("Accept", "application/json")
                .header("Content-Type", "application/octet-stream")
                .header("X-XSRF-TOKEN", String.valueOf(token()))
                .method(method, BodyPublishers.ofByteArray(content))
                .build();
        return answer(request);
    }

    private Answer answer(HttpRequest request) {
        try {
            Answer answer = new Answer(client.send(request, BodyHandlers.ofByteArray()));
            if (answer.status() / 100 == 2) {
                succeeded.add(request);
            }
            return answer;
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Sends a request with the token the server gave. */
    public Answer send(String method, String path, @Nullable String json) {
        return send(method, path, json, token());
    }

    /** Sends a request with some token. */
    public Answer send(String method, String path, @Nullable String json, @Nullable String token) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + path))
                .header("Accept", "application/json")
                .method(method, json == null ? BodyPublishers.noBody() : BodyPublishers.ofString(json));
        if (json != null) {
            request.header("Content-Type", "application/json");
        }
        if (token != null) {
            request.header("X-XSRF-TOKEN", token);
        }
        return answer(request.build());
    }

    private @Nullable String token() {
        return cookies().stream()
                .filter(cookie -> cookie.getName().endsWith("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse(null);
    }

    /** The cookies the server has set. */
    public List<HttpCookie> cookies() {
        return cookies.getCookieStore().getCookies();
    }

    /** The identity of the template with a title. */
    public String template(String title) {
        for (JsonNode row : get("/api/templates").ok().json().get("templates")) {
            if (row.get("title").stringValue().equals(title)) {
                return row.get("id").stringValue();
            }
        }
        throw new AssertionError("No template is called " + title);
    }

    /** Imports a template file, releases it and tells the path of a link to it. */
    public String released(String templateFile) {
        String id = post("/api/templates/import", templateFile)
                .ok()
                .json()
                .get("id")
                .stringValue();
        return post("/api/templates/" + id + "/releases", "{\"revision\":0,\"notes\":\"\"}")
                .ok()
                .json()
                .get("path")
                .stringValue();
    }
}
