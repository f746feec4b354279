package yellowrail.core.round;

import yellowrail.core.amp.Socket;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.IdleQuestion;

/**
 * One socket of a round.
 *
 * @param socket the socket
 * @param question what was asked of the idle check
 * @param answer what it found
 * @param measured whether this socket's current was read, alone or as part of a shared point
 * @param voltsFrom the socket whose plate volts were used; another one on the same supply when its own were not read
 */
public record SocketAnswer(
        Socket socket, IdleQuestion question, IdleAnswer answer, boolean measured, String voltsFrom) {
    /** Whether the current is this tube's own, not a mean. */
    public boolean seenAlone() {
        return measured && !answer.verdict().qualifiers().contains(yellowrail.core.idle.Verdict.Qualifier.MEAN_ONLY);
    }
}
