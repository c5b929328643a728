package org.jalousie.server.testbed;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.Filter;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Base64;
import java.util.concurrent.atomic.AtomicInteger;
import org.apache.catalina.Context;
import org.apache.catalina.LifecycleException;
import org.apache.catalina.Wrapper;
import org.apache.catalina.servlets.WebdavServlet;
import org.apache.catalina.startup.Tomcat;
import org.apache.tomcat.util.descriptor.web.FilterDef;
import org.apache.tomcat.util.descriptor.web.FilterMap;

/** A collection of the Web by another's server: Tomcat's WebDAV servlet over a folder, let in by name and password. */
public final class WebShare implements AutoCloseable {
    public static final String USER = "jalousie";
    public static final String PASSWORD = "pass: phrase";

    private final Tomcat tomcat = new Tomcat();
    private final int port = TestPaths.freePort();

    /** Counts down; the request that reaches zero is not answered, or with {@link #answering}. */
    public final AtomicInteger failing = new AtomicInteger(-1);

    /** The status of the request that fails; 0 for none, so that the connection breaks after the request was done. */
    public volatile int answering;

    public WebShare(Path folder) throws LifecycleException {
        tomcat.setBaseDir(folder.resolveSibling("tomcat-" + port).toString());
        tomcat.setPort(port);
        tomcat.getConnector().setProperty("address", "127.0.0.1");
        Context context = tomcat.addContext("", folder.toString());
        Wrapper dav = Tomcat.addServlet(context, "dav", new WebdavServlet());
        dav.addInitParameter("readonly", "false");
        dav.addInitParameter("listings", "true");
        context.addServletMappingDecoded("/*", "dav");
        FilterDef filter = new FilterDef();
        filter.setFilterName("door");
        filter.setFilter(door());
        context.addFilterDef(filter);
        FilterMap map = new FilterMap();
        map.setFilterName("door");
        map.addURLPattern("/*");
        map.setDispatcher(DispatcherType.REQUEST.name());
        context.addFilterMap(map);
        tomcat.start();
    }

    private Filter door() {
        String expected =
                "Basic " + Base64.getEncoder().encodeToString((USER + ":" + PASSWORD).getBytes(StandardCharsets.UTF_8));
        return (request, response, chain) -> {
            HttpServletRequest asked = (HttpServletRequest) request;
            HttpServletResponse answer = (HttpServletResponse) response;
            if (!expected.equals(asked.getHeader("Authorization"))) {
                answer.sendError(401);
                return;
            }
            boolean fails = failing.getAndDecrement() == 0;
            if (fails && answering != 0) {
                answer.setStatus(answering);
                return;
            }
            chain.doFilter(request, response);
            // it was done, and nobody hears of it
            if (fails) throw new IllegalStateException("broken off");
        };
    }

    public String address() {
        return "http://127.0.0.1:" + port + "/";
    }

    @Override
    public void close() throws LifecycleException {
        tomcat.stop();
        tomcat.destroy();
    }
}
