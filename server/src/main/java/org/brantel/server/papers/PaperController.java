package org.brantel.server.papers;

import java.io.IOException;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PaperController {

    private final Papers papers;

    PaperController(Papers papers) {
        this.papers = papers;
    }

    @GetMapping("/api/cases/{number}/labels.pdf")
    ResponseEntity<byte[]> labels(@PathVariable String number) throws IOException {
        return pdf(papers.labels(number), number + "-labels.pdf");
    }

    @GetMapping("/api/cases/{number}/receipt.pdf")
    ResponseEntity<byte[]> receipt(@PathVariable String number) throws IOException {
        return pdf(papers.receipt(number), number + "-receipt.pdf");
    }

    @GetMapping("/api/cases/{number}/collection.pdf")
    ResponseEntity<byte[]> collection(@PathVariable String number) throws IOException {
        return pdf(papers.collection(number), number + "-collection.pdf");
    }

    @GetMapping("/api/cases/{number}/decline.pdf")
    ResponseEntity<byte[]> decline(@PathVariable String number) throws IOException {
        return pdf(papers.decline(number), number + "-decline.pdf");
    }

    private static ResponseEntity<byte[]> pdf(byte[] bytes, String name) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline().filename(name).build().toString())
                .body(bytes);
    }
}
