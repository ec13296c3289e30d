package org.brantel.server.traffic;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.StandardSocketOptions;
import java.nio.ByteBuffer;
import java.nio.channels.SelectionKey;
import java.nio.channels.Selector;
import java.nio.channels.SocketChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import org.brantel.server.testing.BenchDevices;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import tools.jackson.databind.JsonNode;

/**
 * A lab on a bad day: customers who fetch their files on slow lines and on fast ones, strangers who trickle sign-ins, two
 * sessions that read devices, and staff at their Desks. Arguments: slow customers, fast ones, strangers, staff, seconds.
 */
public final class LoadBench {

    private static final int LARGE = 64 << 20;
    /** A slow customer's bytes a second. */
    private static final int SLOW = 1024;
    /** They take a quarter of it four times a second. */
    private static final long PORTION_NANOS = 250_000_000L;

    private static final String SIGN_IN = String.join(
            "\r\n",
            "POST /api/session HTTP/1.1",
            "Host: lab",
            "Content-Type: application/json",
            "Content-Length: 500",
            "",
            "");

    private final Lab lab = Lab.open();
    private final List<Double> desks = Collections.synchronizedList(new ArrayList<>());
    private final List<Double> first = Collections.synchronizedList(new ArrayList<>());
    private final AtomicInteger faults = new AtomicInteger();
    private final AtomicInteger fetched = new AtomicInteger();
    private final AtomicLong taken = new AtomicLong();
    /** All have come after so long. */
    private final long comingNanos = TimeUnit.SECONDS.toNanos(Integer.getInteger("coming", 10));

    private volatile boolean over;
    private String door;
    private String cookie;

    public static void main(String[] args) throws Exception {
        new LoadBench().run(number(args, 0), number(args, 1), number(args, 2), number(args, 3), number(args, 4));
        System.exit(0);
    }

    private static int number(String[] args, int at) {
        return Integer.parseInt(args[at]);
    }

    private void run(int slow, int fast, int strangers, int staff, int seconds) throws Exception {
        deliver();
        List<Story> sessions = List.of(imaging("old-one"), imaging("other-one"));
        report("quiet", staff, 10);
        List<Thread> lines = new ArrayList<>();
        lines.add(started("strangers", () -> trickle(strangers)));
        lines.add(started("slow", () -> customers(slow, true)));
        lines.add(started("fast", () -> customers(fast, false)));
        TimeUnit.NANOSECONDS.sleep(comingNanos);
        report(
                "beside " + slow + " at 1 KB/s, " + fast + " at full speed, " + strangers + " who trickle",
                staff,
                seconds);
        long running = sessions.stream()
                .filter(s -> s.session().get("state").asString().equals("running"))
                .count();
        over = true;
        for (Thread line : lines) {
            line.join();
        }
        print("first byte of a download", first);
        System.out.printf(
                "%d downloads fetched whole at full speed, %.0f MB/s in all; sessions still reading: %d; errors: %d%n",
                fetched.get(), taken.get() / 1e6 / (seconds + comingNanos / 1e9), running, faults.get());
    }

    private Thread started(String name, Line line) {
        Thread thread = new Thread(
                () -> {
                    try {
                        line.run();
                    } catch (Exception e) {
                        faults.incrementAndGet();
                        System.err.println(name + ": " + e);
                    }
                },
                name);
        thread.start();
        return thread;
    }

    private interface Line {
        void run() throws Exception;
    }

    private void deliver() throws IOException {
        Story story =
                Story.ofD01().imaged("inbox/d01-fat16.img").scanned("both").selectedWhole();
        story.recovered();
        story.sealed();
        Path large = story.bag().resolve("large");
        Files.write(large, new byte[LARGE]);
        JsonNode link = story.link();
        door = "/api/portal" + link.get("path").asString().substring(2);
        Visitor customer = lab.nobody();
        customer.post(door + "/open", Map.of("passcode", link.get("passcode").asString()))
                .expect(204);
        cookie = "brantel-session=" + customer.cookie("brantel-session");
    }

    private Story imaging(String name) throws IOException {
        String medium = BenchDevices.put(
                lab, name, BenchDevices.device(lab, 16 << 20).serial(name).slow(0, 16 << 20, 20_000));
        Story story = Story.of(new CaseForms()).decided().attached(medium);
        story.imaging("failing");
        return story;
    }

    /** Each asks for the Desk about every two seconds. */
    private void report(String when, int staff, int seconds) throws Exception {
        desks.clear();
        ExecutorService people = Executors.newFixedThreadPool(staff);
        CountDownLatch end = new CountDownLatch(1);
        for (int i = 0; i < staff; i++) {
            Visitor una = lab.as("una");
            long begins = 2000L * i / staff;
            people.execute(() -> {
                try {
                    for (long wait = begins; !end.await(wait, TimeUnit.MILLISECONDS); wait = 2000) {
                        long from = System.nanoTime();
                        boolean well = una.get("/api/desk").status() == 200;
                        desks.add((System.nanoTime() - from) / 1e6);
                        faults.addAndGet(well ? 0 : 1);
                    }
                } catch (InterruptedException | RuntimeException e) {
                    faults.incrementAndGet();
                }
            });
        }
        TimeUnit.SECONDS.sleep(seconds);
        end.countDown();
        people.shutdown();
        people.awaitTermination(1, TimeUnit.MINUTES);
        print("Desk, " + staff + " staff, " + when, desks);
    }

    private static void print(String what, List<Double> millis) {
        List<Double> sorted = millis.stream().sorted().toList();
        System.out.printf(
                "%-90s %6d times: median %.1f ms, p95 %.1f ms, slowest %.1f ms%n",
                what,
                sorted.size(),
                sorted.get(sorted.size() / 2),
                sorted.get(sorted.size() * 95 / 100),
                sorted.get(sorted.size() - 1));
    }

    private SocketChannel open(String head) throws IOException {
        SocketChannel line = SocketChannel.open();
        line.setOption(StandardSocketOptions.SO_RCVBUF, 16 << 10);
        line.connect(new InetSocketAddress(
                InetAddress.getLoopbackAddress(), lab.webServer().getPort()));
        ByteBuffer bytes = ByteBuffer.wrap(head.getBytes(StandardCharsets.ISO_8859_1));
        while (bytes.hasRemaining()) {
            line.write(bytes);
        }
        return line;
    }

    private void trickle(int strangers) throws Exception {
        List<SocketChannel> lines = new ArrayList<>();
        while (!over) {
            for (int i = 0; i < strangers; i++) {
                if (lines.size() <= i) {
                    lines.add(null);
                }
                if (lines.get(i) == null) {
                    lines.set(i, open(SIGN_IN));
                }
                try {
                    lines.get(i).write(ByteBuffer.wrap(new byte[] {' '}));
                } catch (IOException ended) {
                    lines.set(i, null); // after its time; another comes
                }
            }
            TimeUnit.SECONDS.sleep(1);
        }
    }

    private static final class Customer {
        private final long from = System.nanoTime();
        private long bytes;
        private long last;
    }

    /** All on one thread: slow ones take what a second has for them, fast ones whatever comes. */
    private void customers(int many, boolean slow) throws IOException {
        ByteBuffer buffer = ByteBuffer.allocate(slow ? SLOW / 4 : 256 << 10);
        try (Selector selector = Selector.open()) {
            long begun = System.nanoTime();
            for (int here = 0; !over; ) {
                for (; here < many && here <= many * (System.nanoTime() - begun) / comingNanos; here++) {
                    come(selector);
                }
                selector.select(100);
                for (SelectionKey key : List.copyOf(selector.selectedKeys())) {
                    Customer customer = (Customer) key.attachment();
                    long now = System.nanoTime();
                    if (!slow || customer.bytes == 0 || now - customer.last > PORTION_NANOS) {
                        customer.last = now;
                        take((SocketChannel) key.channel(), customer, buffer, selector);
                    }
                }
                selector.selectedKeys().clear();
                if (slow) {
                    pause();
                }
            }
        }
    }

    private static void pause() throws IOException {
        try {
            TimeUnit.MILLISECONDS.sleep(10);
        } catch (InterruptedException e) {
            throw new IOException(e);
        }
    }

    private void come(Selector selector) throws IOException {
        Customer customer = new Customer();
        SocketChannel line = open("GET " + door + "/all.zip HTTP/1.1\r\nHost: lab\r\nConnection: close\r\nCookie: "
                + cookie + "\r\n\r\n");
        line.configureBlocking(false);
        line.register(selector, SelectionKey.OP_READ, customer);
    }

    private void take(SocketChannel line, Customer customer, ByteBuffer buffer, Selector selector) throws IOException {
        buffer.clear();
        int count = line.read(buffer);
        if (count < 0) {
            line.close();
            if (customer.bytes > LARGE) {
                fetched.incrementAndGet();
            } else {
                faults.incrementAndGet();
            }
            come(selector);
            return;
        }
        if (customer.bytes == 0) {
            first.add((System.nanoTime() - customer.from) / 1e6);
            faults.addAndGet(
                    new String(buffer.array(), 0, Math.min(12, count), StandardCharsets.ISO_8859_1)
                                    .startsWith("HTTP/1.1 200")
                            ? 0
                            : 1);
        }
        customer.bytes += count;
        taken.addAndGet(count);
    }
}
