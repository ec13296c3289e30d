package org.brantel.core.kind.media;

import java.io.IOException;
import org.brantel.core.bytes.ByteView;

/**
 * FLAC frames (RFC 9639, section 9), gone through without computing sound.
 *
 * <pre>
 * bits  field
 *   15  111111111111100; then 1 whether blocks vary in size
 *    4  block size; 4 sampling rate
 *    4  channels; 3 bits a sample; 1 zero
 *    n  number of the frame or sample, like UTF-8; then what the two codes above leave open: 8 or 16 bits each
 *    8  CRC-8 over the header
 *    n  a subframe for each channel; padding to a byte; 16 CRC-16 over the frame
 * </pre>
 */
final class FlacFrames {

    private static final int[] BITS = {0, 8, 12, -1, 16, 20, 24, 32};

    private final ByteView content;
    private final FlacBits bits;
    private final int channels;
    private final int streamBits;
    private int samples;

    FlacFrames(ByteView content, int channels, int streamBits) {
        this.content = content;
        bits = new FlacBits(content);
        this.channels = channels;
        this.streamBits = streamBits;
    }

    /** Samples of each channel in the frame that was read last. */
    int samples() {
        return samples;
    }

    /** @return where the frame ends; -1 when it is none, or its CRC is wrong */
    long frame(long at) throws IOException {
        bits.begin(at);
        if (bits.take(15) != 0x7ffc) {
            return -1;
        }
        bits.take(1);
        int blockCode = bits.take(4);
        int rateCode = bits.take(4);
        int channelCode = bits.take(4);
        int bitsCode = bits.take(3);
        bits.take(1);
        int lead = bits.take(8);
        for (int more = lead < 0x80 ? 0 : Integer.numberOfLeadingZeros(~lead << 24 & 0xff000000) - 1;
                more > 0;
                more--) {
            bits.take(8);
        }
        samples = switch (blockCode) {
            case 0 -> 0;
            case 1 -> 192;
            case 6 -> bits.take(8) + 1;
            case 7 -> bits.take(16) + 1;
            default -> blockCode < 6 ? 576 << blockCode - 2 : 256 << blockCode - 8;
        };
        bits.take(rateCode == 12 ? 8 : rateCode == 13 || rateCode == 14 ? 16 : 0);
        bits.take(8);
        int depth = bitsCode == 0 ? streamBits : BITS[bitsCode];
        boolean side = channelCode >= 8 && channelCode <= 10;
        if (samples == 0
                || rateCode == 15
                || depth <= 0
                || channelCode > 10
                || (side ? 2 : channelCode + 1) != channels) {
            return -1;
        }
        for (int c = 0; c < channels; c++) {
            boolean wide = channelCode == 8 && c == 1 || channelCode == 9 && c == 0 || channelCode == 10 && c == 1;
            if (!subframe(depth + (wide ? 1 : 0))) {
                return -1;
            }
        }
        bits.align();
        int crc = bits.crc();
        return crcBefore(crc) ? bits.at() : -1;
    }

    /** @return where the next frame whose CRC is right begins; -1 when none does before a place */
    long next(long from, long before) throws IOException {
        long last = Math.min(before, content.length() - 2);
        for (long at = content.find(0xff, from, last); at >= 0; at = content.find(0xff, at + 1, last)) {
            if ((content.u8(at + 1) & 0xfe) == 0xf8 && isFrame(at)) {
                return at;
            }
        }
        return -1;
    }

    private boolean isFrame(long at) throws IOException {
        try {
            return frame(at) >= 0;
        } catch (ByteView.End | ByteView.Unread e) {
            return false;
        }
    }

    /** The sum over the frame and its own CRC is zero when all is right; nothing beyond it was taken up. */
    private boolean crcBefore(int sum) throws IOException {
        return bits.take(16) == sum;
    }

    private boolean subframe(int depth) throws IOException {
        if (bits.take(1) != 0) {
            return false;
        }
        int type = bits.take(6);
        int wasted = bits.take(1) == 0 ? 0 : bits.unary() + 1;
        int own = depth - wasted;
        if (own <= 0) {
            return false;
        }
        if (type == 0) {
            bits.skip(own);
            return true;
        }
        if (type == 1) {
            bits.skip((long) own * samples);
            return true;
        }
        int order = type >= 32 ? type - 31 : type >= 8 && type <= 12 ? type - 8 : -1;
        if (order < 0 || order > samples) {
            return false;
        }
        bits.skip((long) own * order);
        if (type >= 32) {
            int precision = bits.take(4) + 1;
            if (precision == 16) {
                return false;
            }
            bits.skip(5 + (long) precision * order);
        }
        return residual(order);
    }

    /** Section 9.2.7: partitions of numbers, each a run of zeros, a one, and some bits. */
    private boolean residual(int order) throws IOException {
        int method = bits.take(2);
        int partitions = bits.take(4);
        if (method > 1 || samples >> partitions < order || (samples & (1 << partitions) - 1) != 0) {
            return false;
        }
        int width = method == 0 ? 4 : 5;
        for (int p = 0; p < 1 << partitions; p++) {
            int parameter = bits.take(width);
            int count = (samples >> partitions) - (p == 0 ? order : 0);
            if (parameter == (1 << width) - 1) {
                bits.skip((long) bits.take(5) * count);
                continue;
            }
            for (int i = 0; i < count; i++) {
                if (bits.unary() > 1 << 20) {
                    return false;
                }
                bits.take(parameter);
            }
        }
        return true;
    }
}
