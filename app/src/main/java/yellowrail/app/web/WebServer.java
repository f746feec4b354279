package yellowrail.app.web;

import org.eclipse.jetty.server.Connector;
import org.eclipse.jetty.server.HttpConfiguration;
import org.eclipse.jetty.server.HttpConnectionFactory;
import org.eclipse.jetty.server.NetworkConnectionLimit;
import org.eclipse.jetty.server.Server;
import org.eclipse.jetty.server.ServerConnector;
import org.eclipse.jetty.server.handler.EagerContentHandler;
import org.springframework.boot.jetty.servlet.JettyServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * What one client may hold of the server: connections, headers, the size of what it sends and the time it takes for it. A
 * request is given to a thread only when all of it has arrived, so that half-sent ones hold none.
 */
@Component
class WebServer implements WebServerFactoryCustomizer<JettyServletWebServerFactory> {
    /** Bytes of a request's body. */
    private static final int LARGEST_BODY = 512 * 1024;

    private static final int CONNECTIONS = 2500;
    /** With all connections taken, those that neither send nor hear for so long are closed; streams hear a beat more often. */
    private static final long IDLE_WHEN_FULL_MILLIS = 7_000;

    private static final int WAITING = 512;
    private static final int MOST_FIELDS = 1000;
    private static final int BUFFER = 4096;

    @Override
    public void customize(JettyServletWebServerFactory factory) {
        factory.addServerCustomizers(this::limit);
    }

    private void limit(Server server) {
        UnfinishedRequests unfinished = new UnfinishedRequests();
        for (Connector connector : server.getConnectors()) {
            connector.getContainedBeans(HttpConnectionFactory.class).forEach(f -> {
                HttpConfiguration http = f.getHttpConfiguration();
                http.setOutputBufferSize(BUFFER);
                http.setOutputAggregationSize(BUFFER);
                http.setSendServerVersion(false);
                f.setInputBufferSize(BUFFER);
            });
            connector.addBean(unfinished);
            if (connector instanceof ServerConnector network) {
                network.setAcceptQueueSize(WAITING);
            }
        }
        NetworkConnectionLimit connections = new NetworkConnectionLimit(CONNECTIONS, server);
        connections.setEndPointIdleTimeout(IDLE_WHEN_FULL_MILLIS);
        server.addBean(connections);
        server.setErrorHandler(new PlainErrors());
        server.setHandler(unfinished.before(new EagerContentHandler(
                unfinished.after(server.getHandler()),
                new EagerContentHandler.FormContentLoaderFactory(MOST_FIELDS, LARGEST_BODY),
                new EagerContentHandler.RetainedContentLoaderFactory(LARGEST_BODY, 0, true))));
    }
}
