package yellowrail.app.web;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.ResponseStatus;

/** What an address names does not exist. */
@ResponseStatus(HttpStatus.NOT_FOUND)
public class NotThere extends RuntimeException {
    public NotThere(String what) {
        super(what);
    }
}
