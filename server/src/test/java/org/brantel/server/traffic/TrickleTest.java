package org.brantel.server.traffic;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import javax.imageio.ImageIO;
import org.apache.catalina.connector.Connector;
import org.apache.tomcat.util.threads.ThreadPoolExecutor;
import org.awaitility.Awaitility;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.tomcat.TomcatWebServer;
import tools.jackson.databind.JsonNode;

/** Whoever sends or takes a byte now and then keeps nobody waiting. */
class TrickleTest {

    private static final int STRANGERS = 250;
    private static final int CUSTOMERS = 60;
    private static final int LARGE = 24 << 20;

    private final Lab lab = Lab.open();
    private final List<Socket> lines = new ArrayList<>();

    @AfterEach
    void hangUp() throws IOException {
        for (Socket line : lines) {
            line.close();
        }
    }

    private Socket line(String head) throws IOException {
        Socket line = new Socket();
        line.setReceiveBufferSize(4 << 10);
        line.connect(new InetSocketAddress(
                InetAddress.getLoopbackAddress(), lab.webServer().getPort()));
        lines.add(line);
        send(line, head);
        return line;
    }

    private static void send(Socket line, String text) throws IOException {
        line.getOutputStream().write(text.getBytes(StandardCharsets.ISO_8859_1));
        line.getOutputStream().flush();
    }

    private static String post(String path, long length, String more) {
        return "POST " + path + " HTTP/1.1\r\nHost: lab\r\nContent-Type: application/json\r\nContent-Length: " + length
                + "\r\n" + more + "\r\n";
    }

    /** Threads that are held by requests. */
    private int held() {
        Connector connector = ((TomcatWebServer) lab.webServer()).getTomcat().getConnector();
        return ((ThreadPoolExecutor) connector.getProtocolHandler().getExecutor()).getActiveCount();
    }

    private void everybodyElseIsServed() {
        Visitor una = lab.as("una");
        for (int i = 0; i < 5; i++) {
            una.get("/api/desk").expect(200);
        }
        assertThat(held()).isLessThan(20);
    }

    @Test
    void strangersWhoTrickleSignInsHoldNoThread() throws IOException {
        for (int i = 0; i < STRANGERS; i++) {
            line(post("/api/session", 200, "") + "{\"login\":");
        }
        everybodyElseIsServed();
        for (Socket line : lines) {
            send(line, " ");
        }
        everybodyElseIsServed();
    }

    /** A body without a length is counted as it comes; so is one of which nobody said what it is. */
    @Test
    void aStrangerSendsLittle() throws IOException {
        for (String head : List.of(
                post("/api/session", 20_000, ""),
                post("/api/session", 20_000, "").replace("application/json", "text/plain"),
                post("/api/session", 0, "").replace("Content-Length: 0", "Transfer-Encoding: chunked"))) {
            Socket line = line(head);
            send(
                    line,
                    head.contains("chunked") ? "4e20\r\n" + "x".repeat(20_000) + "\r\n0\r\n\r\n" : "x".repeat(20_000));
            assertThat(status(line)).as(head).isIn(403, 413);
        }
        Visitor stranger = lab.nobody();
        assertThat(stranger.post("/api/session", Map.of("login", "x".repeat(20_000), "password", "x"))
                        .expect(413)
                        .sentence())
                .contains("larger than 16 KiB");
    }

    @Test
    void aSlowPhotoHoldsNoThreadAndComesInWhole() throws IOException {
        Story story = Story.of(new CaseForms());
        Visitor una = lab.as("una");
        una.get("/api/session");
        byte[] picture = photo();
        List<Socket> photos = new ArrayList<>();
        for (int i = 0; i < 30; i++) {
            Socket line = line(post(
                            story.path("/photos?what=label"),
                            picture.length,
                            "Cookie: brantel-session=" + una.cookie("brantel-session") + "; XSRF-TOKEN="
                                    + una.cookie("XSRF-TOKEN") + "\r\nX-XSRF-TOKEN: " + una.cookie("XSRF-TOKEN")
                                    + "\r\n")
                    .replace("application/json", "image/jpeg"));
            line.getOutputStream().write(picture, 0, 1000);
            photos.add(line);
        }
        everybodyElseIsServed();
        for (Socket line : photos.subList(0, 3)) {
            line.getOutputStream().write(picture, 1000, picture.length - 1000);
            assertThat(status(line)).isEqualTo(201);
        }
        assertThat(una.get(story.path("/photos")).json()).hasSize(3);
    }

    /** Its own time-out begins anew with each byte. */
    @Test
    void aHeadThatIsTrickledEnds() throws IOException {
        Socket line = line("GET /api/session HTTP/1.1\r\nX-Slow: ");
        Awaitility.await("the end of the line")
                .atMost(Duration.ofMinutes(2))
                .pollInterval(Duration.ofSeconds(1))
                .until(() -> hasEnded(line));
    }

    private static boolean hasEnded(Socket line) throws IOException {
        try {
            send(line, "x");
        } catch (IOException broken) {
            return true;
        }
        line.setSoTimeout(50);
        try {
            return line.getInputStream().read() < 0 || status(line) >= 400;
        } catch (SocketTimeoutException nothingYet) {
            return false;
        }
    }

    /** Nothing that packs well. */
    private static byte[] photo() throws IOException {
        BufferedImage image = new BufferedImage(400, 300, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(7);
        for (int at = 0; at < 400 * 300; at++) {
            image.setRGB(at % 400, at / 400, random.nextInt(1 << 24));
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpg", out);
        return out.toByteArray();
    }

    private static int status(Socket line) throws IOException {
        InputStream in = line.getInputStream();
        StringBuilder first = new StringBuilder();
        for (int b = in.read(); b >= 0 && b != '\n'; b = in.read()) {
            first.append((char) b);
        }
        return Integer.parseInt(first.toString().split(" ")[1]);
    }

    @Test
    void customersWhoTakeNothingForAWhileHoldNoThreadAndGetTheirFilesInTheEnd() throws IOException {
        Story story =
                Story.ofD01().imaged("inbox/d01-fat16.img").scanned("both").selectedWhole();
        story.recovered();
        story.sealed();
        // More than lines take that nobody reads from.
        Files.write(story.bag().resolve("large"), new byte[LARGE]);
        JsonNode link = story.link();
        Visitor customer = lab.nobody();
        String door = "/api/portal" + link.get("path").asString().substring(2);
        customer.post(door + "/open", Map.of("passcode", link.get("passcode").asString()))
                .expect(204);
        long whole = customer.get(door + "/all.zip").expect(200).body().length;
        String cookie = "Cookie: brantel-session=" + customer.cookie("brantel-session") + "\r\n";
        for (int i = 0; i < CUSTOMERS; i++) {
            line("GET " + door + "/all.zip HTTP/1.1\r\nHost: lab\r\nConnection: close\r\n" + cookie + "\r\n");
        }
        everybodyElseIsServed();
        assertThat(customer.get(door + "/all.zip").expect(200).body()).hasSize((int) whole);
        line("HEAD " + door + "/all.zip HTTP/1.1\r\nHost: lab\r\nConnection: close\r\n" + cookie + "\r\n");
        assertThat(status(lines.get(CUSTOMERS))).isEqualTo(200);
        lines.get(0).close();
        try (InputStream in = lines.get(1).getInputStream()) {
            assertThat(in.readAllBytes().length).isGreaterThan((int) whole);
        }
        Awaitility.await("the record").until(() -> count(story, "broke off downloading"), n -> n == 1);
        Awaitility.await("the record").until(() -> count(story, "downloaded everything"), n -> n == 3);
        assertThat(count(story, "began to download everything")).isEqualTo(CUSTOMERS + 2);
    }

    private static long count(Story story, String what) {
        long count = 0;
        for (JsonNode entry : story.una.get(story.path("/custody")).json().get("entries")) {
            count += entry.get("what").asString().startsWith(what) ? 1 : 0;
        }
        return count;
    }
}
