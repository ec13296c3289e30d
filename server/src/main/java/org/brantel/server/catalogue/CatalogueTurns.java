package org.brantel.server.catalogue;

import java.io.IOException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Lets sessions of one case bring in their lots one after the other, however many are at work: what a lot is held
 * against must not change until it is in. Within a server they wait for each other; a lot that another server overtook
 * is looked at anew.
 */
@Component
class CatalogueTurns {

    /** What is found out about a lot before it is written. */
    interface Preparing<T> {
        T prepare() throws IOException;
    }

    /** What is written, in one transaction. */
    interface Bringing<T> {
        void bring(T prepared);
    }

    private final JdbcTemplate sql;
    private final TransactionTemplate transaction;
    private final ConcurrentMap<Long, ReentrantLock> here = new ConcurrentHashMap<>();

    CatalogueTurns(JdbcTemplate sql, TransactionTemplate transaction) {
        this.sql = sql;
        this.transaction = transaction;
    }

    <T> void take(long caseId, Preparing<T> preparing, Bringing<T> bringing) throws IOException {
        ReentrantLock lock = here.computeIfAbsent(caseId, id -> new ReentrantLock(true));
        lock.lock();
        try {
            boolean in = false;
            while (!in) {
                long before = turn(caseId);
                T prepared = preparing.prepare();
                in = Boolean.TRUE.equals(transaction.execute(t -> {
                    boolean mine = isNext(caseId, before);
                    if (mine) {
                        bringing.bring(prepared);
                    }
                    return mine;
                }));
            }
        } finally {
            lock.unlock();
        }
    }

    private long turn(long caseId) {
        return sql.queryForList("select lots from catalogue_turn where case_id = ?", Long.class, caseId).stream()
                .findFirst()
                .orElse(0L);
    }

    /** The row stays locked until the transaction ends. */
    private boolean isNext(long caseId, long before) {
        return sql.update(
                        "insert into catalogue_turn (case_id, lots) values (?, 1) on conflict (case_id) do update "
                                + "set lots = catalogue_turn.lots + 1 where catalogue_turn.lots = ?",
                        caseId,
                        before)
                == 1;
    }
}
