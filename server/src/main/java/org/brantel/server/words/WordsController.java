package org.brantel.server.words;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.staff.Staff;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The words inside of a case's findings. */
@RestController
@RequestMapping("/api/cases/{number}/catalogue")
class WordsController {

    private final Words words;
    private final WordSearch search;
    private final Catalogues catalogues;
    private final Staff staff;

    WordsController(Words words, WordSearch search, Catalogues catalogues, Staff staff) {
        this.words = words;
        this.search = search;
        this.catalogues = catalogues;
        this.staff = staff;
    }

    /** How far the words can be searched. */
    @GetMapping("/words")
    WordsViews.State words(@PathVariable String number) {
        return words.state(number);
    }

    /** Has the words read that were not read yet. */
    @PostMapping("/words")
    @ResponseStatus(HttpStatus.CREATED)
    WordsViews.State readWords(@PathVariable String number) {
        return words.start(number, staff.current().name());
    }

    @PostMapping("/words/pause")
    WordsViews.State pauseWords(@PathVariable String number) {
        return words.pause(number, staff.current().name());
    }

    /** Where words stand in the text of a finding. */
    @GetMapping("/{id}/words")
    WordsViews.Excerpt excerpt(
            @PathVariable String number, @PathVariable long id, @RequestParam @NotBlank @Size(max = 200) String asked) {
        String closed = search.closed(number);
        return closed != null
                ? new WordsViews.Excerpt(closed, List.of())
                : search.excerpt(catalogues.line(number, id).finding().id(), asked);
    }
}
