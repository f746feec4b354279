package yellowrail.app.transformers;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Transformers; there is no statement here that changes or removes a row. */
@Mapper
interface TransformerMapper {
    /** A version of a description. */
    record VersionRow(UUID id, UUID transformerId, int version, String description) {}

    /** A reading, and why it does not count. */
    record ReadingRow(UUID id, UUID transformerId, String reading, OffsetDateTime takenAt, String voided) {}

    /** Where a transformer was put; amp and channel are null for the shelf. */
    record FittingRow(UUID id, UUID transformerId, UUID ampId, Integer channel) {}

    /** A reading that was struck out. */
    record VoidRow(UUID id, UUID readingId, String reason) {}

    @Insert("insert into transformer (id) values (#{id}) on conflict (id) do nothing")
    void insertTransformer(@Param("id") UUID id);

    @Insert("""
            insert into transformer_version (id, transformer_id, version, name, description, created_at)
            values (#{row.id}, #{row.transformerId}, #{row.version}, #{name}, #{row.description}::jsonb, #{at})
            on conflict (id) do nothing""")
    int insertVersion(@Param("row") VersionRow row, @Param("name") String name, @Param("at") OffsetDateTime at);

    @Select("""
            select id, transformer_id, version, description::text from (
              select distinct on (transformer_id) * from transformer_version order by transformer_id, version desc) newest
            order by lower(name), transformer_id""")
    List<VersionRow> newest();

    @Select("""
            select id, transformer_id, version, description::text from transformer_version
            where transformer_id = #{id} order by version desc limit 1""")
    Optional<VersionRow> newestOf(@Param("id") UUID id);

    @Select("""
            select id, transformer_id, version, description::text from transformer_version where id = #{id}""")
    Optional<VersionRow> version(@Param("id") UUID id);

    @Insert("""
            insert into transformer_reading (id, transformer_id, reading, taken_at)
            values (#{id}, #{transformerId}, #{reading}::jsonb, #{takenAt}) on conflict (id) do nothing""")
    int insertReading(ReadingRow row);

    @Select("""
            select r.id, r.transformer_id, r.reading::text, r.taken_at, v.reason as voided from transformer_reading r
            left join transformer_void v on v.reading_id = r.id where r.transformer_id = #{id} order by r.seq""")
    List<ReadingRow> readings(@Param("id") UUID id);

    @Select("""
            select r.id, r.transformer_id, r.reading::text, r.taken_at, v.reason as voided from transformer_reading r
            left join transformer_void v on v.reading_id = r.id where r.id = #{id}""")
    Optional<ReadingRow> reading(@Param("id") UUID id);

    @Insert("""
            insert into transformer_void (id, reading_id, reason, voided_at)
            values (#{row.id}, #{row.readingId}, #{row.reason}, #{at}) on conflict (id) do nothing""")
    int insertVoid(@Param("row") VoidRow row, @Param("at") OffsetDateTime at);

    @Select("select id, reading_id, reason from transformer_void where id = #{id}")
    Optional<VoidRow> voided(@Param("id") UUID id);

    @Insert("""
            insert into transformer_fitting (id, transformer_id, amp_id, channel, fitted_at)
            values (#{row.id}, #{row.transformerId}, #{row.ampId,jdbcType=OTHER}, #{row.channel,jdbcType=INTEGER}, #{at})
            on conflict (id) do nothing""")
    int insertFitting(@Param("row") FittingRow row, @Param("at") OffsetDateTime at);

    @Select("select id, transformer_id, amp_id, channel from transformer_fitting where id = #{id}")
    Optional<FittingRow> fitting(@Param("id") UUID id);

    /** Where each fitted transformer is: the last put in a place, unless it was put elsewhere since. */
    @Select("""
            select there.id, there.transformer_id, there.amp_id, there.channel from (
              select distinct on (amp_id, channel) * from transformer_fitting where amp_id is not null
              order by amp_id, channel, seq desc) there
            join (select distinct on (transformer_id) id from transformer_fitting order by transformer_id, seq desc) latest
              on latest.id = there.id""")
    List<FittingRow> fitted();
}
