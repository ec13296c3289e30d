package org.brantel.server.customers;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface CustomerRecords extends JpaRepository<CustomerRecord, Long> {

    @Query(
            value = "select distinct c.id from customer c join customer_way w on w.customer_id = c.id "
                    + "where c.merged_into is null and w.plain in (?1) order by c.id limit 10",
            nativeQuery = true)
    List<Long> findIdsByPlain(Collection<String> plain);

    /** The operator takes the index; how alike they must be is the database's own threshold of 0.3, and then ours. */
    @Query(
            value = "select c.id from customer c where c.merged_into is null and lower(c.name) % lower(?1) "
                    + "and similarity(lower(c.name), lower(?1)) > 0.45 order by "
                    + "similarity(lower(c.name), lower(?1)) desc, c.id limit 5",
            nativeQuery = true)
    List<Long> findIdsByNameLike(String name);
}
