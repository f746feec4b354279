package yellowrail.app.web;

import java.nio.charset.StandardCharsets;
import org.eclipse.jetty.http.HttpHeader;
import org.eclipse.jetty.server.Request;
import org.eclipse.jetty.server.Response;
import org.eclipse.jetty.util.Callback;

/** What the server says to a request that does not get as far as the application: one sentence, nothing of the inside. */
class PlainErrors implements Request.Handler {
    @Override
    public boolean handle(Request request, Response response, Callback callback) {
        String sentence = response.getStatus() == 413
                ? "That was too long to be taken."
                : "This request could not be understood.";
        // The server closes the connection after most of these: whoever sent it is told, and sends the next on another.
        response.getHeaders().put(HttpHeader.CONNECTION, "close");
        response.getHeaders().put(HttpHeader.CONTENT_TYPE, "text/html;charset=UTF-8");
        response.getHeaders().put("Content-Security-Policy", Security.POLICY);
        byte[] page = ("<!DOCTYPE html><html lang=\"en\"><meta charset=\"utf-8\"><title>Yellow Rail</title><h1>Error "
                        + response.getStatus() + "</h1><p>" + sentence
                        + "</p><p><a href=\"/\">To the first page</a></p></html>")
                .getBytes(StandardCharsets.UTF_8);
        response.write(true, java.nio.ByteBuffer.wrap(page), callback);
        return true;
    }
}
