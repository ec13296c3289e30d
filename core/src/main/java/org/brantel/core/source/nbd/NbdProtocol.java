package org.brantel.core.source.nbd;

/**
 * The numbers of the NBD protocol, all big endian; sections of its protocol document in brackets.
 *
 * <pre>
 * [Newstyle negotiation]  server: NBDMAGIC 8, IHAVEOPT 8, handshake flags 2; client: flags 4
 * [Option haggling]       client: IHAVEOPT 8, option 4, length 4, data; server: magic 8, option 4, reply 4, length 4,
 * data [Request message]       magic 4, flags 2, type 2, cookie 8, offset 8, length 4
 * [Simple reply message]  magic 4, error 4, cookie 8, then the data when there is no error
 * [Structured reply]      magic 4, flags 2, type 2, cookie 8, length 4, payload; the last one has the flag DONE
 * </pre>
 */
final class NbdProtocol {

    static final long NBDMAGIC = 0x4e42444d41474943L;
    static final long IHAVEOPT = 0x49484156454f5054L;
    static final long OPTION_REPLY = 0x0003e889045565a9L;
    static final int REQUEST = 0x25609513;
    static final int SIMPLE_REPLY = 0x67446698;
    static final int STRUCTURED_REPLY = 0x668e33ef;

    /** Handshake and client flags. */
    static final int FIXED_NEWSTYLE = 1;

    static final int NO_ZEROES = 2;

    /** Options. */
    static final int OPT_ABORT = 2;

    static final int OPT_LIST = 3;
    static final int OPT_GO = 7;
    static final int OPT_STRUCTURED_REPLY = 8;

    /** Option replies; those with the top bit are errors. */
    static final int REP_ACK = 1;

    static final int REP_SERVER = 2;
    static final int REP_INFO = 3;
    static final int REP_ERR_UNSUP = 0x80000001;
    static final int REP_ERR_POLICY = 0x80000002;
    static final int REP_ERR_TLS_REQD = 0x80000005;
    static final int REP_ERR_UNKNOWN = 0x80000006;
    static final int REP_ERR_BLOCK_SIZE_REQD = 0x80000008;

    /** Information that GO asks for. */
    static final int INFO_EXPORT = 0;

    static final int INFO_DESCRIPTION = 2;
    static final int INFO_BLOCK_SIZE = 3;

    /** Transmission flags. */
    static final int READ_ONLY = 2;

    /** Requests. */
    static final int CMD_READ = 0;

    static final int CMD_DISC = 2;

    /** Structured replies; those with the top bit are errors. */
    static final int DONE = 1;

    static final int CHUNK_NONE = 0;
    static final int CHUNK_DATA = 1;
    static final int CHUNK_HOLE = 2;
    static final int CHUNK_ERROR_BIT = 0x8000;
    static final int CHUNK_ERROR_OFFSET = 0x8002;

    /** Error numbers. */
    static final int ESHUTDOWN = 108;

    /** What a server takes in one request unless it says otherwise. */
    static final int USUAL_LARGEST = 32 << 20;

    private NbdProtocol() {}
}
