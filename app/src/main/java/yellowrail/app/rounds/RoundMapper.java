package yellowrail.app.rounds;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

/** Rounds and their readings; there is no statement here that changes or removes a row. */
@Mapper
interface RoundMapper {
    int insertRound(RoundRow round);

    int insertReading(Reading reading);

    int insertTurns(@Param("roundId") UUID roundId, @Param("body") String body);

    Optional<String> turns(@Param("roundId") UUID roundId);

    List<TurnsRow> turnsOfAmp(@Param("ampId") UUID ampId);

    Optional<RoundRow> round(@Param("id") UUID id);

    List<RoundRow> rounds(@Param("ampId") UUID ampId);

    List<RoundRow> newestOfEach();

    List<Reading> readings(@Param("roundId") UUID roundId);

    List<Reading> readingsOfAmp(@Param("ampId") UUID ampId);

    Optional<Reading> reading(@Param("id") UUID id);

    long countReadings(@Param("ampId") UUID ampId);
}
