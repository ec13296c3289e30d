package org.brantel.server.portal;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.brantel.core.bytes.Range;
import org.brantel.core.manifest.Bag;
import org.brantel.server.delivery.Account;
import org.brantel.server.delivery.CustomerDoor;
import org.brantel.server.delivery.Delivered;
import org.brantel.server.delivery.DeliveryViews;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/portal/{token}")
class PortalController {

    record Passcode(
            @NotBlank(message = "Enter the passcode from the lab's message.")
            @Size(max = 40, message = "A passcode has eight digits.")
            String passcode) {}

    /** @param number for downloading it; 0 when it was not delivered */
    record FileLine(
            int number,
            String name,
            @Nullable String path,
            long size,
            Delivered delivered,
            @Nullable String sha256,
            long gapBytes,
            @Nullable String why,
            List<Long> fits,
            List<Long> mayFit) {}

    record PortalPage(
            @JsonUnwrapped About about,
            @JsonUnwrapped Sealed sealed,
            List<Account.Wanted> wanted,
            List<FileLine> files) {}

    record Lab(String lab, String phone) {}

    /** Whose case it is, and who answers for it. */
    record About(String lab, String phone, String caseNumber, String contactPerson, String customer, String device) {}

    /** The delivery as it was sealed, and what became of it. */
    record Sealed(
            long bytes,
            String fingerprint,
            Instant sealedAt,
            @Nullable Instant expiresAt,
            DeliveryViews.@Nullable Receipt receipt) {}

    record Confirmation(
            @NotBlank(message = "Enter your name.")
            @Size(max = 200, message = "The name is longer than 200 characters.")
            String name,

            @Min(0) int checked,
            @Min(0) int equal) {}

    private static final String OPENED = "brantel.portal.";

    private final CustomerDoor door;
    private final Cases cases;
    private final Settings settings;

    PortalController(CustomerDoor door, Cases cases, Settings settings) {
        this.door = door;
        this.cases = cases;
        this.settings = settings;
    }

    /** Whom to call, for whoever stands before a door that does not open. */
    @GetMapping("/lab")
    Lab lab(@PathVariable String token) {
        return new Lab(settings.lab(), settings.phone());
    }

    @PostMapping("/open")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void open(@PathVariable String token, @Valid @RequestBody Passcode form, HttpServletRequest request) {
        long id = door.open(token, form.passcode(), request.getRemoteAddr());
        request.getSession();
        request.changeSessionId();
        request.getSession().setAttribute(OPENED + token, id);
    }

    @GetMapping
    PortalPage page(@PathVariable String token, HttpServletRequest request) throws IOException {
        CustomerDoor.Opened opened = opened(token, request);
        DeliveryViews.Delivery d = opened.delivery();
        CaseViews.Docket docket = cases.docket(d.caseNumber());
        Account account = account(opened);
        return new PortalPage(
                new About(
                        settings.lab(),
                        settings.phone(),
                        d.caseNumber(),
                        docket.said().contactPerson(),
                        docket.said().customer().name(),
                        docket.device().label().makeAndModel()),
                new Sealed(
                        d.bag().bytes(),
                        d.bag().fingerprint(),
                        d.bag().sealedAt(),
                        d.way().expiresAt(),
                        d.way().receipt()),
                account.wanted(),
                lines(account));
    }

    private static List<FileLine> lines(Account account) {
        List<FileLine> lines = new ArrayList<>();
        for (int i = 0; i < account.files().size(); i++) {
            Account.Line f = account.files().get(i);
            lines.add(new FileLine(
                    f.path() == null ? 0 : i + 1,
                    f.name(),
                    f.path(),
                    f.size(),
                    f.delivered(),
                    f.sha256(),
                    f.gaps().stream().mapToLong(Range::length).sum(),
                    f.why(),
                    f.fits(),
                    f.mayFit()));
        }
        return lines;
    }

    @GetMapping("/files/{number}")
    ResponseEntity<StreamingResponseBody> file(
            @PathVariable String token, @PathVariable int number, HttpServletRequest request) throws IOException {
        CustomerDoor.Opened opened = opened(token, request);
        List<Account.Line> files = account(opened).files();
        if (number < 1 || number > files.size() || files.get(number - 1).path() == null) {
            throw Refusal.missing("There is no file " + number + " in this delivery.");
        }
        Path file = opened.bag().resolve(files.get(number - 1).path()).normalize();
        if (!file.startsWith(opened.bag())) {
            throw Refusal.missing("There is no file " + number + " in this delivery.");
        }
        String what = "one file, " + file.getFileName();
        return attachment(file.getFileName().toString())
                .contentLength(Files.size(file))
                .body(sent(opened, what, out -> Files.copy(file, out)));
    }

    @GetMapping("/all.zip")
    ResponseEntity<StreamingResponseBody> all(@PathVariable String token, HttpServletRequest request)
            throws IOException {
        CustomerDoor.Opened opened = opened(token, request);
        Path bag = opened.bag();
        List<Path> files;
        try (Stream<Path> walk = Files.walk(bag)) {
            files = walk.filter(Files::isRegularFile).sorted().toList();
        }
        return attachment(bag.getFileName() + ".zip")
                .body(sent(opened, "everything, " + opened.delivery().bag().files() + " files", out -> {
                    // Recovered files are mostly packed already: storing them is as small and leaves the time to the
                    // line.
                    try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
                        zip.setLevel(Deflater.NO_COMPRESSION);
                        for (Path file : files) {
                            ZipEntry entry = new ZipEntry(bag.resolveSibling("")
                                    .relativize(file)
                                    .toString()
                                    .replace('\\', '/'));
                            entry.setLastModifiedTime(Files.getLastModifiedTime(file));
                            zip.putNextEntry(entry);
                            try (InputStream in = Files.newInputStream(file)) {
                                in.transferTo(zip);
                            }
                            zip.closeEntry();
                        }
                    }
                }));
    }

    /**
     * Puts on record that a download began, and how it ended: never that something was downloaded before its last byte
     * went out.
     */
    private StreamingResponseBody sent(CustomerDoor.Opened opened, String what, StreamingResponseBody body) {
        long id = opened.delivery().id();
        door.downloadBegun(id, what);
        return out -> {
            Counted counted = new Counted(out);
            try {
                body.writeTo(counted);
                counted.flush();
            } catch (IOException | RuntimeException e) {
                door.downloadBroken(id, what, counted.bytes);
                throw e;
            }
            door.downloaded(id, what, counted.bytes);
        };
    }

    private static final class Counted extends FilterOutputStream {
        private long bytes;

        Counted(OutputStream out) {
            super(out);
        }

        @Override
        public void write(int b) throws IOException {
            out.write(b);
            bytes++;
        }

        @Override
        public void write(byte[] b, int from, int length) throws IOException {
            out.write(b, from, length);
            bytes += length;
        }

        /** The answer's own stream is closed by who opened it. */
        @Override
        public void close() throws IOException {
            flush();
        }
    }

    /** Never something that a browser would run or show as a page. */
    private static ResponseEntity.BodyBuilder attachment(String name) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .header("Content-Security-Policy", "sandbox");
    }

    @PostMapping("/receipt")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void receive(@PathVariable String token, @Valid @RequestBody Confirmation form, HttpServletRequest request) {
        door.receive(opened(token, request).delivery().id(), form.name().strip(), form.checked(), form.equal());
    }

    private CustomerDoor.Opened opened(String token, HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        Object id = session == null ? null : session.getAttribute(OPENED + token);
        return door.opened(token, id instanceof Long known ? known : -1);
    }

    private static Account account(CustomerDoor.Opened opened) throws IOException {
        return Account.read(opened.bag().resolve(Bag.ACCOUNT));
    }
}
