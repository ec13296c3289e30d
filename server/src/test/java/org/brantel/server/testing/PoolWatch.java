package org.brantel.server.testing;

import jakarta.servlet.Filter;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.IOException;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.Collection;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.springframework.aop.framework.ProxyFactory;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.support.GenericApplicationContext;
import org.springframework.jdbc.datasource.DelegatingDataSource;

/**
 * Watches how a server under test uses its connections to the database: nothing holds one while it asks for another, or
 * while it waits for something that may take as long as it likes. Twelve that do stop the lab.
 */
public final class PoolWatch implements BeanPostProcessor, ApplicationContextInitializer<GenericApplicationContext> {

    /** Beans that wait: for a device, for a tool or a process that decodes a customer's bytes. */
    static final Set<String> WAITING = Set.of(
            "org.brantel.server.media.Media", "org.brantel.server.proof.Tool", "org.brantel.server.workers.Workers");

    private final ThreadLocal<Integer> held = ThreadLocal.withInitial(() -> 0);
    /** What was seen, each with where it was seen first. */
    private final Map<String, String> seen = new ConcurrentSkipListMap<>();

    @Override
    public void initialize(GenericApplicationContext context) {
        context.getBeanFactory().addBeanPostProcessor(this);
        context.registerBean("poolWatch", FilterRegistrationBean.class, () -> {
            FilterRegistrationBean<Filter> bean = new FilterRegistrationBean<>(
                    (request, response, chain) -> chain.doFilter(new Watched((HttpServletRequest) request), response));
            bean.setAsyncSupported(true);
            return bean;
        });
    }

    @Override
    public Object postProcessAfterInitialization(Object bean, String name) {
        if (bean instanceof DataSource pool) {
            return new Counting(pool);
        }
        if (WAITING.contains(bean.getClass().getName())) {
            ProxyFactory factory = new ProxyFactory(bean);
            factory.setProxyTargetClass(true);
            factory.addAdvice((org.aopalliance.intercept.MethodInterceptor) call -> {
                waits(call.getMethod().getDeclaringClass().getSimpleName() + "."
                        + call.getMethod().getName());
                return call.proceed();
            });
            return factory.getProxy();
        }
        return bean;
    }

    /** The server has started; what happened until now was nobody's request. */
    void begin() {
        seen.clear();
    }

    /** What was seen so far, a sentence each. */
    public Collection<String> seen() {
        return seen.values();
    }

    private void waits(String forWhat) {
        if (held.get() > 0) {
            note("A connection is held while waiting for " + forWhat);
        }
    }

    private void note(String what) {
        String where = Arrays.stream(new Throwable().getStackTrace())
                .filter(f -> f.getClassName().startsWith("org.brantel.server.")
                        && !f.getClassName().startsWith("org.brantel.server.testing.")
                        && !f.getClassName().contains("$$"))
                .limit(6)
                .map(f -> f.getClassName().replaceFirst("org.brantel.server.", "") + "." + f.getMethodName() + ":"
                        + f.getLineNumber())
                .collect(Collectors.joining(" < "));
        seen.putIfAbsent(what + where, what + ": " + where);
    }

    /** Counts what each thread holds. */
    private final class Counting extends DelegatingDataSource {

        Counting(DataSource pool) {
            super(pool);
        }

        @Override
        public Connection getConnection() throws SQLException {
            if (held.get() > 0) {
                note("A second connection is asked for while one is held");
            }
            Connection real = super.getConnection();
            held.set(held.get() + 1);
            Thread taker = Thread.currentThread();
            boolean[] closed = {false};
            return (Connection) Proxy.newProxyInstance(
                    Connection.class.getClassLoader(),
                    new Class<?>[] {Connection.class},
                    (proxy, method, arguments) -> {
                        if (method.getName().equals("close") && !closed[0] && Thread.currentThread() == taker) {
                            closed[0] = true;
                            held.set(held.get() - 1);
                        }
                        try {
                            return method.invoke(real, arguments);
                        } catch (InvocationTargetException e) {
                            throw e.getCause();
                        }
                    });
        }
    }

    /** A request whose body is only read by who holds nothing. */
    private final class Watched extends HttpServletRequestWrapper {

        Watched(HttpServletRequest request) {
            super(request);
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            ServletInputStream real = super.getInputStream();
            return new ServletInputStream() {
                @Override
                public int read() throws IOException {
                    waits("a request's body");
                    return real.read();
                }

                @Override
                public int read(byte[] into, int from, int most) throws IOException {
                    waits("a request's body");
                    return real.read(into, from, most);
                }

                @Override
                public boolean isFinished() {
                    return real.isFinished();
                }

                @Override
                public boolean isReady() {
                    return real.isReady();
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    real.setReadListener(listener);
                }
            };
        }
    }
}
