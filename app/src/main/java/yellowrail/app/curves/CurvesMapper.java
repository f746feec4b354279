package yellowrail.app.curves;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Own curves; the newest of a designation hold. */
@Mapper
interface CurvesMapper {
    /** One row of {@link #newest}. */
    record Row(String designation, String body) {}

    @Select("""
            select distinct on (designation) designation, body::text from own_curves order by designation, seq desc""")
    List<Row> newest();

    @Select("select designation, body::text from own_curves where id = #{id}")
    Row one(@Param("id") UUID id);

    @Insert("""
            insert into own_curves (id, designation, body) values (#{id}, #{designation}, #{body}::jsonb)
            on conflict (id) do nothing""")
    int insert(@Param("id") UUID id, @Param("designation") String designation, @Param("body") String body);
}
