package yellowrail.app.settings;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Settings in versions; the newest row of a kind and name holds. */
@Mapper
interface SettingMapper {
    @Select("""
            select name, body::text from (
              select distinct on (name) name, body, seq from setting where kind = #{kind} order by name, seq desc) newest
            order by name""")
    List<SettingRow> newest(@Param("kind") String kind);

    @Select("select body::text from setting where id = #{id} and kind = #{kind}")
    String body(@Param("id") UUID id, @Param("kind") String kind);

    @Insert("""
            insert into setting (id, kind, name, body) values (#{id}, #{kind}, #{name}, #{body}::jsonb)
            on conflict (id) do nothing""")
    int insert(
            @Param("id") UUID id, @Param("kind") String kind, @Param("name") String name, @Param("body") String body);
}
