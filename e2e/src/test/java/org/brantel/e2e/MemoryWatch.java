package org.brantel.e2e;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Goes on looking through a catalogue, and says what browser and server hold of memory; scripts/watch-memory runs it. */
public final class MemoryWatch {

    private static final String PASSWORD = "skerrow-demo";
    private static final List<String> QUESTIONS = List.of("pictures", "films or sound", "whole", "a", "deleted", "");
    private static final int TOLD_EVERY_MILLIS = 300_000;

    private final String address;
    private final long end;

    private MemoryWatch(String address, int minutes) {
        this.address = address;
        this.end = System.currentTimeMillis() + minutes * 60_000L;
    }

    /** @param args address of the demo lab, minutes, cases to look through */
    public static void main(String[] args) {
        try {
            new MemoryWatch(args[0], Integer.parseInt(args[1]))
                    .look(List.of(args).subList(2, args.length));
            System.exit(0);
        } catch (IOException | RuntimeException e) {
            e.printStackTrace();
            System.exit(1);
        }
    }

    private void look(List<String> cases) throws IOException {
        System.out.println(
                "| minutes | steps | browser's heap, MiB | its nodes | its listeners | server, MiB | workers, MiB |");
        System.out.println("| --: | --: | --: | --: | --: | --: | --: |");
        try (Chromium.Tab tab = Chromium.open(address)) {
            Page page = tab.page();
            new Steps(page).signIn("tom", PASSWORD);
            CDPSession inner = tab.context().newCDPSession(page);
            long began = System.currentTimeMillis();
            long told = 0;
            int steps = 0;
            while (System.currentTimeMillis() < end) {
                step(page, cases, steps++);
                if (System.currentTimeMillis() - told > TOLD_EVERY_MILLIS) {
                    told = System.currentTimeMillis();
                    tell(inner, (told - began) / 60_000, steps);
                }
            }
            tell(inner, (System.currentTimeMillis() - began) / 60_000, steps);
        }
    }

    /** Another case now and then; else a question, the sheet, a proof, remarks, a choice that is taken back. */
    private static void step(Page page, List<String> cases, int n) {
        if (n % 40 == 0) {
            page.navigate("/cases/" + cases.get(n / 40 % cases.size()) + "/selection");
            page.getByLabel("Ask for findings").waitFor();
        }
        switch (n % 8) {
            case 0 -> page.getByLabel("Ask for findings").fill(QUESTIONS.get(n / 8 % QUESTIONS.size()));
            case 1 -> page.locator("main").press("v");
            case 3 -> page.locator("main").press("v");
            case 4 -> press(page, "x");
            case 5 -> press(page, "x");
            case 6 -> page.locator("main").press("j");
            default -> press(page, "Enter");
        }
        page.waitForTimeout(700);
    }

    private static void press(Page page, String key) {
        Locator some = page.locator("table.lines tr.finding, .picture");
        if (some.count() > 0) {
            page.locator("main").press(key);
        }
    }

    private void tell(CDPSession inner, long minutes, int steps) throws IOException {
        inner.send("HeapProfiler.collectGarbage");
        JsonObject heap = inner.send("Runtime.getHeapUsage");
        JsonObject counters = inner.send("Memory.getDOMCounters");
        System.out.println(String.format(
                Locale.ROOT,
                "| %d | %d | %.1f | %d | %d | %d | %d |",
                minutes,
                steps,
                heap.get("usedSize").getAsDouble() / (1 << 20),
                counters.get("nodes").getAsLong(),
                counters.get("jsEventListeners").getAsLong(),
                resident("org.brantel.server.BrantelServer"),
                resident("DisplayVMOutputToStderr")));
    }

    /** Of all processes of Java whose command has a text in it, in MiB; the end of a long one is not seen. */
    private static long resident(String text) throws IOException {
        long pages = 0;
        for (ProcessHandle p : ProcessHandle.allProcesses().toList()) {
            Path proc = Path.of("/proc", String.valueOf(p.pid()));
            Optional<String> command = p.info().commandLine().filter(c -> c.contains("java") && c.contains(text));
            if (command.isPresent() && Files.exists(proc.resolve("statm"))) {
                pages += Long.parseLong(Files.readString(proc.resolve("statm")).split(" ")[1]);
            }
        }
        return pages * 4096 >> 20;
    }
}
