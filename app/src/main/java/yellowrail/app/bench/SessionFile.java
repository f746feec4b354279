package yellowrail.app.bench;

import java.util.Map;
import java.util.UUID;
import org.springframework.http.MediaType;

/** A file a session gives. A new one is a component of its own; its address and its link follow from it. */
interface SessionFile {
    /** Its name in the address, for example {@code sheet.pdf}. */
    String name();

    /** Place among the links, from 1. */
    int place();

    MediaType type();

    /** What its links say, by what stands behind the address, most often nothing. */
    Map<String, String> links();

    /**
     * @param paper a4 or letter, where it is printed
     */
    byte[] of(UUID session, String paper);
}
