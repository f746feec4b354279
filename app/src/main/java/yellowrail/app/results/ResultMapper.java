package yellowrail.app.results;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Results; there is no statement here that changes or removes a row. */
@Mapper
interface ResultMapper {
    @Insert("""
            insert into bench_result (id, amp_id, taken_at, body, supersedes)
            values (#{id}, #{ampId}, #{takenAt}, #{body}::jsonb, #{supersedes,jdbcType=OTHER}) on conflict (id) do nothing""")
    int insert(ResultRow row);

    @Select("""
            select id, amp_id, taken_at, body::text, supersedes from bench_result where amp_id = #{ampId}
            order by taken_at, seq""")
    List<ResultRow> ofAmp(@Param("ampId") UUID ampId);

    @Select("select id, amp_id, taken_at, body::text, supersedes from bench_result where id = #{id}")
    Optional<ResultRow> one(@Param("id") UUID id);
}
