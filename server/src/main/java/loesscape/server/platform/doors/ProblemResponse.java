package loesscape.server.platform.doors;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import loesscape.formats.json.Json;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Problem details (RFC 9457) where no controller is at work: before a request reaches one, or in its stead. */
public final class ProblemResponse {

    private ProblemResponse() {}

    /** Answers a request with a problem. */
    public static void write(HttpServletResponse response, int status, String title, String detail) throws IOException {
        ObjectNode problem = JsonNodeFactory.instance.objectNode();
        problem.put("type", "about:blank");
        problem.put("title", title);
        problem.put("status", status);
        problem.put("detail", detail);
        response.setStatus(status);
        response.setContentType("application/problem+json");
        response.setCharacterEncoding("UTF-8");
        response.getWriter().write(Json.compact(problem));
    }
}
