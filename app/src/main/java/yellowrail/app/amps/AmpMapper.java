package yellowrail.app.amps;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

/** Amps and the versions of their descriptions. */
@Mapper
interface AmpMapper {
    void insertAmp(@Param("id") UUID id);

    int insertVersion(
            @Param("id") UUID id,
            @Param("ampId") UUID ampId,
            @Param("version") int version,
            @Param("name") String name,
            @Param("description") String description,
            @Param("at") OffsetDateTime at);

    List<AmpRow> newest();

    int insertShelf(@Param("id") UUID id, @Param("ampId") UUID ampId, @Param("away") boolean away);

    ShelfRow shelf(@Param("id") UUID id);

    /** Ids of the amps that are put away. */
    List<UUID> away();

    Optional<AmpRow> newestOf(@Param("ampId") UUID ampId);

    /** Versions of a description that an accepted swap made, or going back from one. */
    List<Integer> versionsBySwap(@Param("ampId") UUID ampId);

    Optional<AmpRow> version(@Param("ampId") UUID ampId, @Param("version") int version);

    Optional<AmpRow> byVersionId(@Param("id") UUID id);
}
