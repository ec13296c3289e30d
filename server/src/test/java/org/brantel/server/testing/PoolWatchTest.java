package org.brantel.server.testing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.brantel.server.workers.Chore;
import org.brantel.server.workers.Workers;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.aop.support.AopUtils;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.support.GenericApplicationContext;

/** The watch over all tests sees what it is there to see. */
class PoolWatchTest {

    private final PoolWatch watch = new PoolWatch();
    private DataSource pool;

    @BeforeEach
    void wrap() throws SQLException {
        DataSource real = mock(DataSource.class);
        when(real.getConnection()).thenAnswer(i -> mock(Connection.class));
        pool = (DataSource) watch.postProcessAfterInitialization(real, "pool");
    }

    @Test
    void oneAfterTheOtherIsRight() throws SQLException {
        pool.getConnection().close();
        pool.getConnection().close();
        assertThat(watch.seen()).isEmpty();
    }

    @Test
    void aSecondWhileOneIsHeldIsSaid() throws SQLException {
        try (Connection held = pool.getConnection();
                Connection second = pool.getConnection()) {
            assertThat(held).isNotSameAs(second);
        }
        assertThat(watch.seen()).singleElement().asString().contains("second connection");
    }

    @Test
    void whoWaitsForAProcessWithOneInHandIsSaid() throws SQLException, IOException {
        Workers workers = mock(Workers.class);
        Workers real = (Workers) watch.postProcessAfterInitialization(workers, "workers");
        real.work(Chore.class, "", new byte[0]);
        assertThat(watch.seen()).isEmpty();
        try (Connection held = pool.getConnection()) {
            real.work(Chore.class, "", new byte[0]);
            assertThat(held).isNotNull();
        }
        assertThat(watch.seen()).singleElement().asString().contains("Workers.work");
    }

    @Test
    void whoReadsABodyWithOneInHandIsSaid() throws Exception {
        ServletInputStream body = mock(ServletInputStream.class);
        when(body.read()).thenReturn(1, 2);
        HttpServletRequest request = mock(HttpServletRequest.class);
        when(request.getInputStream()).thenReturn(body);
        try (GenericApplicationContext context = new GenericApplicationContext()) {
            watch.initialize(context);
            context.refresh();
            context.getBean(FilterRegistrationBean.class)
                    .getFilter()
                    .doFilter(request, mock(HttpServletResponse.class), (asked, answer) -> {
                        assertThat(asked.getInputStream().read()).isEqualTo(1);
                        assertThat(watch.seen()).isEmpty();
                        try (Connection held = pool.getConnection()) {
                            assertThat(asked.getInputStream().read()).isEqualTo(2);
                            assertThat(held).isNotNull();
                        } catch (SQLException e) {
                            throw new IOException(e);
                        }
                    });
        }
        assertThat(watch.seen()).singleElement().asString().contains("a request's body");
    }

    /** A name that nothing bears any more would be watched in vain. */
    @Test
    void whatIsNamedIsThereAndWatched() throws ClassNotFoundException {
        for (String name : PoolWatch.WAITING) {
            assertThat(AopUtils.isAopProxy(Lab.open().own(Class.forName(name))))
                    .as(name)
                    .isTrue();
        }
    }
}
