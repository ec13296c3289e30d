package org.brantel.server.portal;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.manifest.Bag;
import org.brantel.server.delivery.Account;
import org.brantel.server.delivery.CustomerDoor;
import org.brantel.server.delivery.Delivered;
import org.brantel.server.delivery.DeliveryViews;
import org.brantel.server.delivery.Receipts;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.LetIn;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.traffic.Pieces;
import org.brantel.server.traffic.Sending;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

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

            @NotNull(message = "Say what was checked; an empty list when nothing was.")
            List<@Valid Hashed> seen) {}

    /** A file that the customer's browser hashed. */
    record Hashed(
            int number,

            @NotNull(message = "A hash is missing.")
            @Pattern(regexp = "[0-9a-f]{64}", message = "A SHA-256 is 64 hexadecimal digits.")
            String sha256) {}

    private static final String OPENED = "brantel.portal.";

    private final CustomerDoor door;
    private final Receipts receipts;
    private final Cases cases;
    private final Sending sending;
    private final Settings settings;
    private final JsonMapper mapper;

    PortalController(
            CustomerDoor door, Receipts receipts, Cases cases, Sending sending, Settings settings, JsonMapper mapper) {
        this.door = door;
        this.sending = sending;
        this.receipts = receipts;
        this.cases = cases;
        this.settings = settings;
        this.mapper = mapper;
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
        LetIn.customer(request).setAttribute(OPENED + token, id);
    }

    @GetMapping
    @ApiResponse(
            responseCode = "200",
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_JSON_VALUE,
                            schema = @Schema(implementation = PortalPage.class)))
    void page(@PathVariable String token, HttpServletRequest request, HttpServletResponse response) throws IOException {
        // Piece by piece, since it may name ten thousand files to somebody on a slow line.
        byte[] page = mapper.writeValueAsBytes(page(opened(token, request)));
        response.setContentType(MediaType.APPLICATION_JSON_VALUE);
        sending.send(request, response, Pieces.of(page));
    }

    private PortalPage page(CustomerDoor.Opened opened) throws IOException {
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
    void file(
            @PathVariable String token,
            @PathVariable int number,
            HttpServletRequest request,
            HttpServletResponse response)
            throws IOException {
        CustomerDoor.Opened opened = opened(token, request);
        List<Account.Line> files = account(opened).files();
        if (number < 1 || number > files.size() || files.get(number - 1).path() == null) {
            throw Refusal.missing("There is no file " + number + " in this delivery.");
        }
        Path file = opened.bag().resolve(files.get(number - 1).path()).normalize();
        if (!file.startsWith(opened.bag())) {
            throw Refusal.missing("There is no file " + number + " in this delivery.");
        }
        attachment(file.getFileName().toString(), response);
        response.setContentLengthLong(Files.size(file));
        send(token, opened, "one file, " + file.getFileName(), Pieces.of(file), request, response);
    }

    @GetMapping("/all.zip")
    void all(@PathVariable String token, HttpServletRequest request, HttpServletResponse response) throws IOException {
        CustomerDoor.Opened opened = opened(token, request);
        attachment(opened.bag().getFileName() + ".zip", response);
        String what = "everything, " + opened.delivery().bag().files() + " files";
        send(token, opened, what, new BagZip(opened.bag()), request, response);
    }

    /**
     * Puts on record that a download began, and how it ended: never that something was downloaded before its last byte
     * went out. Whoever only asks how long it is gets nothing.
     */
    private void send(
            String token,
            CustomerDoor.Opened opened,
            String what,
            Pieces pieces,
            HttpServletRequest request,
            HttpServletResponse response)
            throws IOException {
        if (HttpMethod.HEAD.matches(request.getMethod())) {
            pieces.close();
            return;
        }
        long id = opened.delivery().id();
        door.downloadBegun(id, what);
        Pieces open = new WhileOpen(pieces, () -> door.isOpen(token, id));
        sending.send(request, response, open, new Sending.Ended() {
            @Override
            public void whole(long bytes) {
                door.downloaded(id, what, bytes);
            }

            @Override
            public void brokenOff(long bytes) {
                door.downloadBroken(id, what, bytes);
            }
        });
    }

    /** Never something that a browser would run or show as a page. */
    private static void attachment(String name, HttpServletResponse response) {
        response.setContentType(MediaType.APPLICATION_OCTET_STREAM_VALUE);
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment()
                        .filename(name, StandardCharsets.UTF_8)
                        .build()
                        .toString());
        response.setHeader("Content-Security-Policy", "sandbox");
    }

    @PostMapping("/receipt")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void receive(@PathVariable String token, @Valid @RequestBody Confirmation form, HttpServletRequest request)
            throws IOException {
        receipts.receive(
                opened(token, request),
                form.name().strip(),
                form.seen().stream()
                        .map(h -> new Receipts.Seen(h.number(), h.sha256()))
                        .toList());
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
