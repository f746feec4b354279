package yellowrail.app.rounds;

import yellowrail.core.round.SocketAnswer;

/** The sentence a reading was entered with, read back. */
public final class Provenance {
    private Provenance() {}

    public static String of(SocketAnswer socket) {
        String volts = socket.question()
                .plate()
                .volts()
                .map(v -> "Plate at " + v.echo() + " "
                        + socket.question().plate().reference().words()
                        + (socket.voltsFrom().equals(socket.socket().name())
                                ? ""
                                : " (read at " + socket.voltsFrom() + ")")
                        + "; ")
                .orElse("Plate volts not read; ");
        String meter = socket.question()
                .reading()
                .map(r -> "the meter showed " + r.echo() + " "
                        + socket.question().method().words() + ".")
                .orElse("no current read.");
        return volts + meter;
    }
}
