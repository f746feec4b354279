package yellowrail.app.bench;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

/** Sessions, their events and issued sheets; there is no statement here that changes or removes a row. */
@Mapper
interface SessionMapper {
    int insertSession(SessionRow session);

    Optional<SessionRow> session(@Param("id") UUID id);

    /** Holds other writers of this session back until the transaction ends. */
    Optional<Integer> lock(@Param("id") UUID id);

    /** Sessions neither signed nor closed, the one last worked on first. */
    List<SessionRow> open();

    List<SessionRow> ofAmp(@Param("ampId") UUID ampId);

    /** Those of an amp that were not closed without a sheet, newest first. */
    List<SessionRow> keptOfAmp(@Param("ampId") UUID ampId);

    /** Signed ones that were planned to be read by turns. */
    List<UUID> signedByTurns();

    int insertEvent(EventRow event);

    Optional<EventRow> event(@Param("id") UUID id);

    List<EventRow> events(@Param("sessionId") UUID sessionId, @Param("after") int after);

    /** Tells whoever listens on the channel, when the transaction is committed. */
    String notify(@Param("channel") String channel, @Param("text") String text);

    int insertIssued(
            @Param("sessionId") UUID sessionId,
            @Param("eventId") UUID eventId,
            @Param("state") String state,
            @Param("recheckOn") LocalDate recheckOn,
            @Param("data") String data,
            @Param("html") String html,
            @Param("pdf") byte[] pdf);

    Optional<IssuedRow> issued(@Param("sessionId") UUID sessionId);

    List<IssuedRow> issuedOfAmp(@Param("ampId") UUID ampId);

    List<IssuedRow> newestIssued();

    Optional<String> issuedHtml(@Param("sessionId") UUID sessionId);

    Optional<PdfRow> issuedPdf(@Param("sessionId") UUID sessionId);
}
