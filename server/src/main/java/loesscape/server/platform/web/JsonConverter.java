package loesscape.server.platform.web;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonReader;
import loesscape.formats.json.JsonWriter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.HttpOutputMessage;
import org.springframework.http.MediaType;
import org.springframework.http.converter.AbstractHttpMessageConverter;

/** Reads and writes our records as JSON by their shape, the same way the types of the web pages are made. */
final class JsonConverter extends AbstractHttpMessageConverter<Record> {

    JsonConverter() {
        super(MediaType.APPLICATION_JSON);
    }

    @Override
    protected boolean supports(Class<?> type) {
        return type.isRecord() && type.getPackageName().startsWith("loesscape.");
    }

    @Override
    protected Record readInternal(Class<? extends Record> type, HttpInputMessage message) throws IOException {
        return JsonReader.typed(Json.parse(message.getBody().readAllBytes()), type);
    }

    @Override
    protected void writeInternal(Record value, HttpOutputMessage message) throws IOException {
        byte[] bytes = Json.compact(JsonWriter.typed(value, value.getClass())).getBytes(StandardCharsets.UTF_8);
        message.getBody().write(bytes);
    }

    @Override
    public List<MediaType> getSupportedMediaTypes() {
        return List.of(MediaType.APPLICATION_JSON);
    }
}
