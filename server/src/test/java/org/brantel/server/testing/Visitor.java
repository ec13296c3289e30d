package org.brantel.server.testing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.CookiePolicy;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import java.util.function.Predicate;
import org.awaitility.Awaitility;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Somebody at a browser: keeps cookies, sends the CSRF token back. */
public final class Visitor {

    /** An answer of the server. */
    public record Answer(int status, byte[] body, HttpResponse<byte[]> response) {

        public Answer expect(int expected) {
            assertThat(status)
                    .as(() -> response.request().method() + " "
                            + response.request().uri() + ": " + text())
                    .isEqualTo(expected);
            return this;
        }

        public String text() {
            return new String(body, StandardCharsets.UTF_8);
        }

        public JsonNode json() {
            return JsonMapper.shared().readTree(body);
        }

        /** The one sentence of a refusal. */
        public String sentence() {
            return json().get("detail").asString();
        }

        public String header(String name) {
            return response.headers().firstValue(name).orElse("");
        }
    }

    private static final Duration OFTEN = Duration.ofMillis(50);
    private static final Duration LONGEST = Duration.ofMinutes(4);

    private final CookieManager cookies;
    private final HttpClient client;
    private final String address;

    public Visitor(String address) {
        this(address, new CookieManager(null, CookiePolicy.ACCEPT_ALL));
    }

    private Visitor(String address, CookieManager cookies) {
        this.address = address;
        this.cookies = cookies;
        this.client = HttpClient.newBuilder().cookieHandler(cookies).build();
    }

    public Answer get(String path) {
        return send(request(path).GET());
    }

    public Answer get(String path, Map<String, String> headers) {
        HttpRequest.Builder request = request(path);
        headers.forEach(request::header);
        return send(request.GET());
    }

    /** The same browser, at another server of the lab. */
    public Visitor at(String other) {
        return new Visitor(other, cookies);
    }

    public Answer post(String path, Object body) {
        return send(withToken(request(path))
                .header("Content-Type", "application/json")
                .POST(json(body)));
    }

    /** As a proxy would hand on what came from another address, or as somebody who says to be one. */
    public Answer postFor(String from, String path, Object body) {
        return send(withToken(request(path))
                .header("Content-Type", "application/json")
                .header("X-Forwarded-For", from)
                .POST(json(body)));
    }

    /** The body is a file as it is. */
    public Answer postBytes(String path, byte[] body) {
        return send(withToken(request(path))
                .header("Content-Type", "application/octet-stream")
                .POST(BodyPublishers.ofByteArray(body)));
    }

    public Answer post(String path) {
        return send(withToken(request(path)).POST(BodyPublishers.noBody()));
    }

    public Answer put(String path, Object body) {
        return send(withToken(request(path))
                .header("Content-Type", "application/json")
                .PUT(json(body)));
    }

    public Answer delete(String path) {
        return send(withToken(request(path)).DELETE());
    }

    /** Without the token, as a foreign page would. */
    public Answer postForged(String path, Object body) {
        return send(request(path).header("Content-Type", "application/json").POST(json(body)));
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(address + path)).timeout(LONGEST);
    }

    private HttpRequest.Builder withToken(HttpRequest.Builder request) {
        if (cookie("XSRF-TOKEN") == null) {
            get("/api/session");
        }
        return request.header("X-XSRF-TOKEN", cookie("XSRF-TOKEN"));
    }

    public String cookie(String name) {
        return cookies.getCookieStore().getCookies().stream()
                .filter(c -> c.getName().equals(name))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse(null);
    }

    private static HttpRequest.BodyPublisher json(Object body) {
        return BodyPublishers.ofString(
                body instanceof String text ? text : JsonMapper.shared().writeValueAsString(body));
    }

    private Answer send(HttpRequest.Builder request) {
        try {
            HttpResponse<byte[]> response = client.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
            return new Answer(response.statusCode(), response.body(), response);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Asks again until the answer is as wished for. */
    public JsonNode await(String path, Predicate<JsonNode> wish) {
        return Awaitility.await(path)
                .atMost(LONGEST)
                .pollInterval(OFTEN)
                .until(() -> get(path).expect(200).json(), wish);
    }
}
