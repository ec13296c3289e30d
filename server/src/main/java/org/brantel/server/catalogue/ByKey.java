package org.brantel.server.catalogue;

import java.util.function.Supplier;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Looks many things up by their keys. The database is told so: while a catalogue grows by the ten thousand, what it has
 * counted last says that a table is small, and it would read all of it again for each key.
 */
@Component
class ByKey {

    private final JdbcTemplate sql;
    private final TransactionTemplate transaction;

    ByKey(JdbcTemplate sql, TransactionTemplate transaction) {
        this.sql = sql;
        this.transaction = transaction;
    }

    /** In the transaction that is under way, or one of its own. */
    <T> T read(Supplier<T> lookUp) {
        T found = transaction.execute(t -> {
            sql.queryForList("select set_config(name, 'off', true) from unnest(array['enable_seqscan', "
                    + "'enable_hashjoin', 'enable_mergejoin']) name");
            return lookUp.get();
        });
        if (found == null) {
            throw new IllegalStateException("a look-up gave nothing, not even an empty list");
        }
        return found;
    }
}
