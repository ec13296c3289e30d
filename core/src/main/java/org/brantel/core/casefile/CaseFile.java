package org.brantel.core.casefile;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.brantel.core.source.Identity;
import org.jspecify.annotations.Nullable;

/**
 * A case as a lab has it, for another lab: {@code case.json} of a case file (docs/formats.md). What is of one lab has a
 * mark that no other lab gives, so that it is known again wherever it comes to. Words of enumerations stand as text: a
 * lab takes those that it knows.
 *
 * @param custody the records of all labs that had the case, the packing one's first
 */
public record CaseFile(
        String format,
        int version,
        Origin origin,
        Told told,
        List<Device> devices,
        List<Fact> facts,
        List<Note> notes,
        List<Imaging> imaging,
        List<Scan> scans,
        List<Ledger> custody) {

    public static final String FORMAT = "brantel-case";
    public static final int VERSION = 1;

    /** A new document of today's version. */
    public static CaseFile of(
            Origin origin,
            Told told,
            List<Device> devices,
            Said said,
            List<Imaging> imaging,
            List<Scan> scans,
            List<Ledger> custody) {
        return new CaseFile(
                FORMAT, VERSION, origin, told, devices, said.facts(), said.notes(), imaging, scans, custody);
    }

    /** What people said of a case. */
    public record Said(List<Fact> facts, List<Note> notes) {}

    /**
     * A case where a lab has it.
     *
     * @param fingerprint SHA-256 of the lab's public key (DER), hex
     * @param number      that the lab gave the case
     */
    public record Home(String lab, String fingerprint, String number) {}

    /**
     * Where the file comes from.
     *
     * @param knownAs the same case in other labs
     * @param forLab  whom it was packed for, in words
     */
    public record Origin(Home home, List<Home> knownAs, Instant packed, String by, String forLab, String why) {}

    /**
     * What the customer told and agreed to.
     *
     * @param opensOn the system that the files will be opened on
     */
    public record Told(
            Customer customer,
            String contactPerson,
            String story,
            @Nullable LocalDate deadline,
            @Nullable String opensOn,
            Consent consent,
            List<Wanted> wanted) {}

    /** @param preferred kind of the way that they like best */
    public record Customer(String kind, String name, String preferred, List<Way> ways) {}

    /** A way to reach the customer. */
    public record Way(String kind, String value) {}

    /**
     * @param look what a lab may look at: empty when nobody asked, names, previews, contents
     * @param told who else may be told
     */
    public record Consent(String look, String told, boolean mail, boolean termsRead) {}

    /** A line of the wanted list. */
    public record Wanted(
            String words,
            List<String> kinds,
            String pattern,
            int hopedFor,
            long minBytes,
            @Nullable LocalDate changedFrom,
            @Nullable LocalDate changedTo,
            boolean yearAssumed,
            boolean mustHave) {}

    /**
     * A device that the case is about.
     *
     * @param path     that the lab decided on for it; null for none
     */
    public record Device(
            String mark,
            String type,
            Label label,
            String attachedBy,
            String accessories,
            String condition,
            Member member,
            Entitlement entitlement,
            @Nullable String path,
            @Nullable String reason) {}

    /** @param capacity bytes; 0 when not known */
    public record Label(String make, String model, String serial, long capacity) {}

    /** @param set empty for a device on its own */
    public record Member(String set, @Nullable Integer slot) {}

    /** Warranty or rescue entitlement. */
    public record Entitlement(String words, @Nullable LocalDate until) {}

    /**
     * @param device    its mark; null for what is said of all of the case
     * @param source    told or observed
     * @param measured  by a station itself
     * @param withdrawn null while it stands
     */
    public record Fact(
            String mark,
            @Nullable String device,
            String code,
            String value,
            String source,
            boolean measured,
            String who,
            Instant at,
            @Nullable Withdrawn withdrawn) {}

    /** That a fact was corrected. */
    public record Withdrawn(@Nullable String who, @Nullable Instant at) {}

    /** @param kind note or call */
    public record Note(String mark, String kind, String words, String who, Instant at) {}

    /**
     * A session that read a device; its image stays where it is.
     *
     * @param goesOnFrom mark of the session in whose image it went on
     * @param map        file of the bag that says what was read (a map sum); null where it is gone
     */
    public record Imaging(
            String mark,
            String device,
            Work work,
            Identity identity,
            Sum sum,
            How how,
            @Nullable String goesOnFrom,
            @Nullable String map) {}

    /**
     * Who did something, and when.
     *
     * @param lab     where it was done
     * @param endedAt null for what had not ended when it was packed
     */
    public record Work(
            String lab,
            String who,
            Instant startedAt,
            @Nullable Instant endedAt) {}

    /** What became of the device's bytes, as on the packing lab's record. */
    public record Sum(long size, long readBytes, long failedBytes, long deferredBytes, int failedPlaces, long faults) {}

    /**
     * How it was read.
     *
     * @param sha256     of the image, zeros standing where nothing was read; null where it was not hashed
     * @param cells      the read ribbon: a character for each equal stretch
     * @param filesAlone why only its files were copied; null where all was to be read
     */
    public record How(
            String profile,
            long runningMillis,
            @Nullable String sha256,
            boolean endedEarly,
            String cells,
            @Nullable String filesAlone) {}

    /**
     * A session that looked through an image.
     *
     * @param imaging   mark of the session that read the image
     * @param readBytes of the image when it began
     * @param file      of the bag: the session in one file
     */
    public record Scan(String mark, String imaging, Work work, boolean finished, long readBytes, String file) {}

    /**
     * A lab's custody record of the case.
     *
     * @param home     whose
     * @param entries  how many
     * @param lastHash of the last one
     * @param file     of the bag: an entry a line
     */
    public record Ledger(Home home, long entries, String lastHash, String file) {}
}
