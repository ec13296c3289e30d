package org.brantel.server.catalogue;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/cases/{number}/catalogue")
class CatalogueController {

    /** @param filter all lines that pass it, instead of single ones */
    record SelectionChange(@NotNull List<Long> ids, @Nullable CatalogueFilter filter, boolean selected) { }

    private final Catalogues catalogues;
    private final Previews previews;

    CatalogueController(Catalogues catalogues, Previews previews) {
        this.catalogues = catalogues;
        this.previews = previews;
    }

    @GetMapping
    CatalogueViews.Page page(@PathVariable String number, @RequestParam(required = false) List<String> kind,
                             @RequestParam(required = false) List<String> origin,
                             @RequestParam(required = false) List<String> prognosis,
                             @RequestParam(required = false) String q, @RequestParam(required = false) Long wanted,
                             @RequestParam(defaultValue = "false") boolean selectedOnly,
                             @RequestParam(required = false) Long foundBy, @RequestParam(required = false) Long notFoundBy,
                             @RequestParam(required = false) Long worseIn,
                             @RequestParam(required = false) String sort, @RequestParam(defaultValue = "0") @Min(0) int page) {
        return catalogues.page(number, new CatalogueFilter(kind, origin, prognosis, q, wanted, selectedOnly, foundBy, notFoundBy, worseIn), page, sort);
    }

    /** What two scan sessions found, side by side. */
    @GetMapping("/comparison")
    Comparison compare(@PathVariable String number, @RequestParam long a, @RequestParam long b) {
        return catalogues.compare(number, a, b);
    }

    /** How much of each wanted line is there. */
    @GetMapping("/wanted")
    List<CatalogueViews.WantedState> wanted(@PathVariable String number) {
        return catalogues.wanted(number);
    }

    @PutMapping("/selection")
    CatalogueViews.SelectionSum select(@PathVariable String number, @Valid @RequestBody SelectionChange change) {
        return catalogues.select(number, change.ids(), change.filter(), change.selected());
    }

    @GetMapping("/{id}/preview")
    CatalogueViews.Preview preview(@PathVariable String number, @PathVariable long id) throws IOException {
        return previews.of(catalogues.line(number, id));
    }

    @GetMapping(path = "/{id}/picture", produces = MediaType.IMAGE_PNG_VALUE)
    byte[] picture(@PathVariable String number, @PathVariable long id) throws IOException {
        return previews.picture(catalogues.line(number, id));
    }
}
