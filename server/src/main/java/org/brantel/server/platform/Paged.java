package org.brantel.server.platform;

import java.util.List;
import java.util.function.Function;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.domain.Pageable;

/**
 * One page of a list that can grow.
 *
 * @param total how many there are in all
 * @param page  from 0
 * @param size  how many a page has at most
 */
public record Paged<T>(List<T> items, long total, int page, int size) {

    private static final int SIZE = 200;

    /** What a page is asked for by; the order is the query's own. */
    public static Pageable at(int page) {
        return PageRequest.of(page, SIZE);
    }

    public static <R, T> Paged<T> of(Page<R> found, Function<R, T> view) {
        return new Paged<>(
                found.getContent().stream().map(view).toList(),
                found.getTotalElements(),
                found.getNumber(),
                found.getSize());
    }
}
