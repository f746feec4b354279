package yellowrail.app.tubes;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Own tube types and the snapshots that rounds were judged by. */
@Mapper
interface OwnTypeMapper {
    @Select("""
            select distinct on (designation) designation, body::text from own_type order by designation, version desc""")
    List<OwnTypeRow> newest();

    @Select("select count(*) from own_type where designation = #{designation}")
    int versions(@Param("designation") String designation);

    @Select("select max(created_at) from own_type where designation = #{designation}")
    OffsetDateTime changedAt(@Param("designation") String designation);

    @Select("select body::text from own_type where id = #{id}")
    String body(@Param("id") UUID id);

    @Insert("""
            insert into own_type (id, designation, version, body, created_at)
            values (#{id}, #{designation}, #{version}, #{body}::jsonb, #{at}) on conflict (id) do nothing""")
    int insert(
            @Param("id") UUID id,
            @Param("designation") String designation,
            @Param("version") int version,
            @Param("body") String body,
            @Param("at") OffsetDateTime at);

    @Insert("""
            insert into type_snapshot (hash, designation, body) values (#{hash}, #{designation}, #{body}::jsonb)
            on conflict (hash) do nothing""")
    void keepSnapshot(@Param("hash") String hash, @Param("designation") String designation, @Param("body") String body);

    @Select("select body::text from type_snapshot where hash = #{hash}")
    Optional<String> snapshot(@Param("hash") String hash);
}
