package org.brantel.server.recovery;

import jakarta.validation.constraints.Min;
import java.util.List;
import java.util.function.Function;
import org.brantel.core.layout.Layout;
import org.brantel.core.layout.NameRules;
import org.brantel.server.platform.Paged;
import org.brantel.server.platform.Refusal;
import org.brantel.server.staff.Staff;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class RecoveryController {

    private static final RecoveryViews.Laying AS_IT_STOOD =
            new RecoveryViews.Laying(Layout.AS_IT_STOOD, NameRules.EVERY);

    private final Recoveries recoveries;
    private final Layings layings;
    private final Staff staff;

    RecoveryController(Recoveries recoveries, Layings layings, Staff staff) {
        this.recoveries = recoveries;
        this.layings = layings;
        this.staff = staff;
    }

    @GetMapping("/api/cases/{number}/recovery")
    List<RecoveryViews.Run> runs(@PathVariable String number) {
        return recoveries.runs(number);
    }

    @PostMapping("/api/cases/{number}/recovery")
    @ResponseStatus(HttpStatus.CREATED)
    RecoveryViews.Run start(@PathVariable String number, @RequestBody(required = false) RecoveryViews.Laying laying) {
        return recoveries.start(
                number, laying == null ? AS_IT_STOOD : laying, staff.current().name());
    }

    /** How the selection would be laid out, from one of its folders; nothing is written. */
    @GetMapping("/api/cases/{number}/recovery/layout")
    RecoveryViews.LaidOutView laidOut(
            @PathVariable String number,
            @RequestParam(defaultValue = "as-it-stood") String layout,
            @RequestParam(defaultValue = "every") String opensOn,
            @RequestParam(defaultValue = "") String folder) {
        return layings.look(
                number,
                new RecoveryViews.Laying(
                        of(Layout::ofWord, "layout", layout), of(NameRules::ofWord, "opensOn", opensOn)),
                folder);
    }

    private static <E> E of(Function<String, E> words, String field, String word) {
        try {
            return words.apply(word);
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput(field, String.valueOf(e.getMessage()));
        }
    }

    @PostMapping("/api/recovery/{id}/pause")
    RecoveryViews.Run pause(@PathVariable long id) {
        return recoveries.pause(id, staff.current().name());
    }

    @PostMapping("/api/recovery/{id}/resume")
    RecoveryViews.Run resume(@PathVariable long id) {
        return recoveries.resume(id, staff.current().name());
    }

    @GetMapping("/api/recovery/{id}/files")
    Paged<RecoveryViews.File> files(@PathVariable long id, @RequestParam(defaultValue = "0") @Min(0) int page) {
        return recoveries.files(id, page);
    }

    /** What became of every file of a run, in numbers, and the first of those that are not whole. */
    @GetMapping("/api/recovery/{id}/account")
    RecoveryViews.Account account(@PathVariable long id) {
        return recoveries.account(id);
    }
}
