package yellowrail.app.bench;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import yellowrail.app.store.IssuedSheet;
import yellowrail.app.text.CleanText;

/** The next check as a calendar file (RFC 5545). */
@Component
final class RecheckFile implements SessionFile {
    private final SessionStore sessions;

    RecheckFile(SessionStore sessions) {
        this.sessions = sessions;
    }

    @Override
    public String name() {
        return "recheck.ics";
    }

    @Override
    public int place() {
        return 3;
    }

    @Override
    public MediaType type() {
        return MediaType.parseMediaType("text/calendar;charset=UTF-8");
    }

    @Override
    public Map<String, String> links() {
        return Map.of("", "Next check for your calendar");
    }

    @Override
    public byte[] of(UUID session, String paper) {
        IssuedSheet sheet = sessions.issuedSheet(session);
        return of(
                session,
                sheet.amp(),
                sheet.recheckOn(),
                "Last time " + sheet.stateWords() + " on " + sheet.day() + ", target " + sheet.target() + ".");
    }

    private static byte[] of(UUID session, String amp, LocalDate day, String what) {
        VEvent event = new VEvent(day, "Check the idle of " + CleanText.line(amp));
        event.add(new Uid(session + "@yellow-rail"));
        event.add(new Description(CleanText.line(what)));
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Yellow Rail//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(event);
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            new CalendarOutputter(false).output(calendar, out);
            return out.toByteArray();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
