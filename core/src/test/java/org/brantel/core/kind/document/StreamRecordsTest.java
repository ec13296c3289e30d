package org.brantel.core.kind.document;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.Test;

/** Streams of records, built field by field. */
class StreamRecordsTest {

    private static final int PART = 0x0809;
    private static final int PART_ENDS = 0x000a;
    private static final int SHEET = 0x0085;
    private static final int CELLS = 0x027e;

    private final ByteBuffer stream = ByteBuffer.allocate(64 << 10).order(ByteOrder.LITTLE_ENDIAN);
    private final List<Long> places = new ArrayList<>();

    private int biff(int type, int bytes) {
        int at = stream.position();
        stream.putShort((short) type).putShort((short) bytes).position(at + 4 + bytes);
        return at;
    }

    private int ppt(int versionAndInstance, int type, int bytes) {
        int at = stream.position();
        stream.putShort((short) versionAndInstance).putShort((short) type).putInt(bytes);
        return at;
    }

    private StreamRecords records() {
        places.clear();
        int length = stream.position();
        return new StreamRecords(
                ByteView.of(new FaultySource(stream.array().clone()), new Range(0, length)), places::add);
    }

    /** A part that tells of one sheet, then the sheet with a chart in it. */
    private int workbook() {
        biff(PART, 16);
        int told = biff(SHEET, 12);
        biff(0x00fc, 8224);
        biff(PART_ENDS, 0);
        int sheet = biff(PART, 16);
        stream.putInt(told + 4, sheet);
        for (int i = 0; i < 500; i++) {
            biff(CELLS, 10);
        }
        biff(PART, 16);
        biff(0x1002, 16);
        biff(PART_ENDS, 0);
        biff(PART_ENDS, 0);
        return sheet;
    }

    @Test
    void theRecordsOfAWorkbookFollowEachOther() throws IOException {
        workbook();
        stream.position(stream.position() + 100);
        assertThat(records().firstWrongOfWorkbook()).as("zeros fill the stream").isEqualTo(-1);
        assertThat(places).hasSize(509);
    }

    @Test
    void aSheetThatIsToldOfMustBeThere() throws IOException {
        int sheet = workbook();
        stream.putShort(sheet, (short) 0x1809);
        assertThat(records().firstWrongOfWorkbook()).isEqualTo(sheet);
    }

    @Test
    void noiseInAWorkbookIsNoticedWhereverItStands() throws IOException {
        workbook();
        byte[] sound = stream.array().clone();
        byte[] noise = new byte[512];
        for (int at = 0; at + noise.length < stream.position(); at += 512) {
            new Random(at).nextBytes(noise);
            System.arraycopy(sound, 0, stream.array(), 0, sound.length);
            stream.put(at, noise);
            long wrong = records().firstWrongOfWorkbook();
            boolean withinOneRecord = at > 48 && at + 512 < 8200;
            assertThat(wrong >= at - 8224 || at == 0 || withinOneRecord)
                    .as("noise at %d, wrong at %d", at, wrong)
                    .isTrue();
        }
    }

    @Test
    void anotherVersionsWorkbookIsNotJudged() throws IOException {
        biff(0x0009, 4);
        biff(0x7777, 9000);
        assertThat(records().firstWrongOfWorkbook()).isEqualTo(-1);
    }

    /** A document that holds an atom, a container with two, and a package that says it is a container. */
    private void presentation() {
        int document = ppt(0xf, 0x03e8, 0);
        ppt(1, 0x03e9, 40);
        stream.position(stream.position() + 40);
        ppt(0xf, 0x03f2, 8 + 12 + 8);
        ppt(0, 0x0fa0, 12);
        stream.position(stream.position() + 12);
        ppt(0x10, 0x0fa1, 0);
        ppt(0xf, 0x0428, 20);
        int packaged = stream.position();
        stream.putInt(0x04034b50).putInt(-1).putInt(-1).position(packaged + 20);
        stream.putInt(document + 4, stream.position() - document - 8);
        ppt(0, 0x0ff5, 28);
        stream.position(stream.position() + 28);
    }

    @Test
    void theRecordsOfAPresentationHoldEachOther() throws IOException {
        presentation();
        assertThat(records().firstWrongOfPresentation()).isEqualTo(-1);
        assertThat(places).hasSize(7);
    }

    @Test
    void aRecordThatLeavesTheOneAroundItIsWrong() throws IOException {
        presentation();
        int atom = 8 + 8 + 40 + 8;
        stream.putInt(atom + 4, 13);
        assertThat(records().firstWrongOfPresentation()).isEqualTo(atom + 8 + 13);
        stream.putInt(atom + 4, 4000);
        assertThat(records().firstWrongOfPresentation()).isEqualTo(atom);
    }

    @Test
    void anEncryptedPresentationIsNotJudged() throws IOException {
        presentation();
        byte[] noise = new byte[stream.position()];
        new Random(1).nextBytes(noise);
        stream.put(0, noise);
        assertThat(records().firstWrongOfPresentation()).isEqualTo(-1);
    }
}
