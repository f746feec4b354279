package yellowrail.app.speakers;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Speakers; there is no statement here that changes or removes a row. */
@Mapper
interface SpeakerMapper {
    /** A speaker as stored. */
    record SpeakerRow(UUID id, String name, String body) {}

    /** The newest of a name. */
    record NameRow(UUID id, String name) {}

    @Insert("""
            insert into speaker_curve (id, name, body, created_at) values (#{row.id}, #{row.name}, #{row.body}::jsonb, #{at})
            on conflict (id) do nothing""")
    int insert(@Param("row") SpeakerRow row, @Param("at") OffsetDateTime at);

    @Select("select id, name, body::text from speaker_curve where id = #{id}")
    Optional<SpeakerRow> one(@Param("id") UUID id);

    @Select("""
            select id, name from (select distinct on (name) id, name from speaker_curve order by name, seq desc) newest
            order by lower(name)""")
    List<NameRow> names();
}
