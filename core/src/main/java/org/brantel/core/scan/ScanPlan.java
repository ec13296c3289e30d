package org.brantel.core.scan;

import java.util.List;
import java.util.Set;
import org.brantel.core.bytes.Range;
import org.brantel.core.carve.SuggestedNames;
import org.jspecify.annotations.Nullable;

/** What a scan session is to do: how, where and with what care. */
public record ScanPlan(ScanMethod method, Scope scope, Options options) {

    /**
     * Where it looks.
     *
     * @param volume        only this one, by its index; null for the whole source
     * @param freeSpaceOnly carve only what no live file uses
     * @param range         carve only here; null for everywhere
     * @param notAgain      carve none of this
     */
    public record Scope(
            @Nullable Integer volume,
            boolean freeSpaceOnly,
            @Nullable Range range,
            List<Range> notAgain) {

        static final Scope EVERYTHING = new Scope(null, false, null, List.of());

        public Scope {
            notAgain = List.copyOf(notAgain);
        }
    }

    /**
     * What it looks for, and how closely.
     *
     * @param kinds     only these kinds; empty for all
     * @param search    look for lost volumes and for records of before a format in every sector of what is free;
     *                  without it only the records themselves are read
     * @param everyByte carve at every byte, not only where sectors begin
     * @param nested    carve also what begins inside a find
     * @param names     for what no record names
     * @param hash      SHA-256 of every finding that is fully read
     * @param listed    only files that a file system lists, each checked by its kind as well
     */
    public record Options(
            Set<String> kinds,
            boolean search,
            boolean everyByte,
            boolean nested,
            SuggestedNames names,
            boolean hash,
            boolean listed) {

        static final Options USUAL = new Options(Set.of(), true, false, false, SuggestedNames.USUAL, false, false);

        public Options {
            kinds = Set.copyOf(kinds);
        }
    }

    public static ScanPlan of(ScanMethod method) {
        return new ScanPlan(method, Scope.EVERYTHING, Options.USUAL);
    }

    public ScanPlan onVolume(@Nullable Integer index) {
        return in(new Scope(index, scope.freeSpaceOnly, scope.range, scope.notAgain));
    }

    public ScanPlan inFreeSpace(boolean only) {
        return in(new Scope(scope.volume, only, scope.range, scope.notAgain));
    }

    /** @param where null for everywhere */
    public ScanPlan carving(@Nullable Range where, boolean atEveryByte) {
        Options o = options;
        return in(new Scope(scope.volume, scope.freeSpaceOnly, where, scope.notAgain))
                .with(new Options(o.kinds, o.search, atEveryByte, o.nested, o.names, o.hash, o.listed));
    }

    /** @param carved before, for no fewer kinds */
    public ScanPlan except(List<Range> carved) {
        return in(new Scope(scope.volume, scope.freeSpaceOnly, scope.range, carved));
    }

    public ScanPlan ofKinds(Set<String> codes) {
        Options o = options;
        return with(new Options(codes, o.search, o.everyByte, o.nested, o.names, o.hash, o.listed));
    }

    /** Records only, without a look into what is free. */
    public ScanPlan searching(boolean yes) {
        Options o = options;
        return with(new Options(o.kinds, yes, o.everyByte, o.nested, o.names, o.hash, o.listed));
    }

    public ScanPlan nesting(boolean yes) {
        Options o = options;
        return with(new Options(o.kinds, o.search, o.everyByte, yes, o.names, o.hash, o.listed));
    }

    public ScanPlan naming(SuggestedNames pattern) {
        Options o = options;
        return with(new Options(o.kinds, o.search, o.everyByte, o.nested, pattern, o.hash, o.listed));
    }

    public ScanPlan hashing(boolean yes) {
        Options o = options;
        return with(new Options(o.kinds, o.search, o.everyByte, o.nested, o.names, yes, o.listed));
    }

    /** Of the copy of files, which holds nothing else. */
    public ScanPlan ofListed(boolean only) {
        Options o = options;
        return with(new Options(o.kinds, o.search && !only, o.everyByte, o.nested, o.names, o.hash || only, only));
    }

    private ScanPlan in(Scope newScope) {
        return new ScanPlan(method, newScope, options);
    }

    private ScanPlan with(Options newOptions) {
        return new ScanPlan(method, scope, newOptions);
    }

    boolean wants(String kind) {
        return options.kinds.isEmpty() || options.kinds.contains(kind);
    }
}
